<script lang="ts">
  import type { Glyph } from './glyph';

  // The strokes of a read glyph in its 32 x 32 field, in the current color.
  let { g }: { g: Glyph } = $props();
</script>

<circle
  cx={g.post[0]}
  cy={g.post[1]}
  r="3.6"
  fill={g.hollow ? 'none' : 'currentColor'}
  stroke="currentColor"
  stroke-width="2"
/>
<path
  d={g.way}
  fill="none"
  stroke="currentColor"
  stroke-width="2.6"
  stroke-linecap="round"
  stroke-linejoin="round"
/>
{#if g.bar}<path d={g.bar} stroke="currentColor" stroke-width="3.2" stroke-linecap="butt" />{/if}
{#if g.tip}
  <path
    d="M0 0L-6.5 -3.8V3.8Z"
    fill="currentColor"
    transform={`translate(${g.tip[0]} ${g.tip[1]}) rotate(${g.tip[2]})`}
  />
{/if}
{#if g.ball}<circle
    cx={g.ball[0]}
    cy={g.ball[1]}
    r="2.6"
    fill="none"
    stroke="currentColor"
    stroke-width="2"
  />{/if}
