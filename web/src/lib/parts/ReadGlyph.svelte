<script lang="ts">
  import GlyphStrokes from './GlyphStrokes.svelte';
  import { glyphs } from './glyphs';

  let {
    read,
    size = 32,
    label = '',
    mono = false
  }: { read: string; size?: number; label?: string; mono?: boolean } = $props();

  const g = $derived(glyphs[read]);
</script>

<svg
  viewBox="0 0 32 32"
  width={size}
  height={size}
  role={label ? 'img' : undefined}
  aria-label={label || undefined}
  aria-hidden={label ? undefined : 'true'}
  style:color={mono || !g ? 'currentColor' : `var(${g.tape})`}
  class="shrink-0"
>
  {#if g}
    <GlyphStrokes {g} />
  {:else}
    <path d="M8 16H24" stroke="currentColor" stroke-width="2.600" stroke-dasharray="3 3" />
  {/if}
</svg>
