<script lang="ts">
  import type { Snippet } from 'svelte';

  // What is wider than the screen, in a window that scrolls by keys as well; on paper it is whole.
  let { label, class: more = '', children }: { label: string; class?: string; children: Snippet } = $props();
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<div class="scroll overflow-x-auto {more}" role="region" tabindex="0" aria-label="{label}, scrolls">
  {@render children()}
</div>
