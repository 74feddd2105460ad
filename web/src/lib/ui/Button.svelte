<script lang="ts">
  import Button from 'flowbite-svelte/Button.svelte';
  import type { ButtonProps } from 'flowbite-svelte/types';

  // A button, or a link that looks like one: a strip of tape for the next step of a view, an outline for all else.
  let { main = false, class: more, ...rest }: ButtonProps & { main?: boolean } = $props();
</script>

<Button
  color={main ? 'primary' : 'alternative'}
  class={[
    'min-h-12 min-w-11 gap-2 rounded-sm border-2 px-4 py-0 text-[length:inherit] font-bold no-underline focus-within:ring-0 print:hidden',
    'aria-checked:shadow-marked aria-pressed:shadow-marked aria-[current=page]:shadow-marked cursor-pointer disabled:cursor-default disabled:opacity-45',
    main
      ? 'border-ink bg-ink text-on-ink hover:bg-ink dark:bg-ink dark:hover:bg-ink'
      : 'border-line text-ink hover:border-ink hover:text-ink focus-within:text-ink aria-checked:border-ink aria-pressed:border-ink dark:text-ink dark:border-line dark:hover:text-ink dark:focus-within:text-ink bg-transparent hover:bg-transparent dark:bg-transparent dark:hover:bg-transparent',
    more
  ]}
  {...rest}
/>
