<script lang="ts">
  import type { Snippet } from 'svelte';
  import Button from '$lib/ui/Button.svelte';

  // Stands where a page could not be loaded: says what is missing and offers to try again.
  let {
    title,
    problem,
    onretry,
    oncancel,
    children
  }: {
    title: string;
    problem: string;
    onretry: () => void;
    oncancel?: () => void;
    children?: Snippet;
  } = $props();
</script>

<section class="sheet max-w-2xl p-6">
  <h1>{title}</h1>
  <p role="alert" class="my-3">{problem}</p>
  {@render children?.()}
  <div class="flex flex-wrap gap-3">
    <Button main onclick={onretry}>Retry</Button>
    {#if oncancel}<Button onclick={oncancel}>Cancel</Button>{/if}
  </div>
</section>
