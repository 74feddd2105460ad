<script lang="ts">
  import Alert from 'flowbite-svelte/Alert.svelte';
  import type { AlertProps } from 'flowbite-svelte/types';

  // What went wrong, said aloud by a screen reader at once; or what should be known.
  let { warn = false, class: more, ...rest }: AlertProps & { warn?: boolean } = $props();
</script>

<Alert
  color={warn ? 'orange' : 'red'}
  role={warn ? 'note' : 'alert'}
  transition={() => ({ duration: 0 })}
  class={[
    'mb-2 max-w-248 rounded-none bg-transparent p-0 text-base dark:bg-transparent',
    warn
      ? 'border-l-6 border-(--tape-orange) pl-3 leading-snug text-ink dark:text-ink'
      : 'font-bold text-alarm dark:text-alarm',
    more
  ]}
  {...rest}
/>
