<script lang="ts">
  import { cues } from './glyphs';

  let { cue, size = 32 }: { cue: string; size?: number } = $props();

  const c = $derived(cues[cue]);
  const wedge = 'M6 0L-4 -5L-1.500 0L-4 5Z';
</script>

<svg viewBox="0 0 32 32" width={size} height={size} aria-hidden="true" class="shrink-0">
  <circle cx="13" cy="17" r="3.6" fill="currentColor" />
  <circle cx="22" cy="17" r="3.6" fill="none" stroke="currentColor" stroke-width="2" />
  {#if c}
    <path d={wedge} fill="currentColor" transform={`translate(${c.x[0]} ${c.x[1]}) rotate(${c.x[2]})`} />
    {#if c.xs}
      <path
        d={wedge}
        fill="none"
        stroke="currentColor"
        stroke-width="1.8"
        transform={`translate(${c.xs[0]} ${c.xs[1]}) rotate(${c.xs[2]})`}
      />
    {/if}
  {/if}
</svg>
