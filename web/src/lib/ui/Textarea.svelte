<script lang="ts">
  import Textarea from 'flowbite-svelte/Textarea.svelte';
  import type { TextareaProps } from 'flowbite-svelte/types';
  import { field } from '$lib/theme';

  // Flowbite's own takes no theme while it has neither a header nor a footer.
  let { value = $bindable(), class: more, ...rest }: TextareaProps = $props();
</script>

<Textarea bind:value class={['w-full px-3', field, more]} {...rest} />
