<script lang="ts">
  import Fileupload from 'flowbite-svelte/Fileupload.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import type { ChangeEventHandler } from 'svelte/elements';

  // A button that asks for a file.
  let {
    name,
    accept,
    disabled = false,
    onchange
  }: {
    name: string;
    accept: string;
    disabled?: boolean;
    onchange: ChangeEventHandler<HTMLInputElement>;
  } = $props();
</script>

<Label
  class={[
    'inline-flex min-h-12 cursor-pointer items-center rounded-sm border-2 border-line px-4 text-[length:inherit] font-bold whitespace-nowrap text-ink hover:border-ink print:hidden dark:text-ink',
    'has-focus-visible:outline-3 has-focus-visible:outline-offset-2 has-focus-visible:outline-(--focus)',
    disabled && 'opacity-50'
  ]}
>
  {name}<Fileupload class="sr-only" {accept} {disabled} {onchange} />
</Label>
