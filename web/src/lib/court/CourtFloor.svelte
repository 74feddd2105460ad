<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { Schemas } from '$lib/api/client';

  // Half a court from above, the basket at the bottom, one unit a foot. The
  // children draw in the same units with y turned: use sy() from geometry.ts.
  let {
    lines,
    top = 31,
    left,
    right,
    label,
    children,
    svg = $bindable()
  }: {
    lines: Schemas['Lines'];
    top?: number;
    left?: number;
    right?: number;
    label: string;
    children?: Snippet;
    svg?: SVGSVGElement;
  } = $props();

  const l = $derived(lines);
  const upper = $derived(Math.min(top, l.halfY));
  const margin = 2; // feet out of bounds, so that a player in a corner stands free
  // Lane space marks from the baseline, the block first: NFHS court diagram, from memory, in feet.
  const marks = [7, 8, 11, 14, 17];
  const tick = 0.7; // feet
  // A picture of a part goes from `left` to `right` instead of from sideline to sideline.
  const from = $derived(left ?? -l.halfWidth - margin);
  const to = $derived(right ?? l.halfWidth + margin);
</script>

<svg
  bind:this={svg}
  viewBox={`${from} ${-upper - margin} ${to - from} ${upper - l.baselineY + 2 * margin}`}
  role="group"
  aria-label={label}
  class="court"
>
  <rect x={-l.halfWidth} y={-upper} width={2 * l.halfWidth} height={upper - l.baselineY} class="boards" />
  <rect
    x={-l.laneHalf}
    y={-l.freeThrowY}
    width={2 * l.laneHalf}
    height={l.freeThrowY - l.baselineY}
    class="lane"
  />
  <g class="paint">
    <path
      d={`M${-l.halfWidth} ${-upper}V${-l.baselineY}H${l.halfWidth}V${-upper}${upper === l.halfY ? 'Z' : ''}`}
    />
    <rect x={-l.laneHalf} y={-l.freeThrowY} width={2 * l.laneHalf} height={l.freeThrowY - l.baselineY} />
    <path
      d={`M${-l.circleRadius} ${-l.freeThrowY}A${l.circleRadius} ${l.circleRadius} 0 0 1 ${l.circleRadius} ${-l.freeThrowY}`}
    />
    <path
      d={`M${-l.arcStraightX} ${-l.baselineY}V${-l.arcMeetsY}A${l.arcRadius} ${l.arcRadius} 0 0 1 ${l.arcStraightX} ${-l.arcMeetsY}V${-l.baselineY}`}
    />
    {#each marks as m (m)}
      {#each [-1, 1] as side (side)}
        <path d={`M${side * l.laneHalf} ${-l.baselineY - m}h${side * tick}`} />
      {/each}
    {/each}
    {#if upper === l.halfY}
      <path
        d={`M${-l.circleRadius} ${-upper}A${l.circleRadius} ${l.circleRadius} 0 0 0 ${l.circleRadius} ${-upper}`}
      />
    {/if}
    <path d={`M-3 ${-l.boardY}H3`} class="board" />
    <path d={`M0 ${-l.boardY}V${l.ringRadius}`} />
    <circle cx="0" cy="0" r={l.ringRadius} class="ring" />
  </g>
  {@render children?.()}
</svg>

<style>
  .court {
    display: block;
    width: 100%;
    height: 100%;
    touch-action: none;
    user-select: none;
  }
  .boards {
    fill: var(--wood);
  }
  .paint {
    fill: none;
    stroke: var(--court-line);
    stroke-width: 0.18;
  }
  .lane {
    fill: var(--paint);
  }
  .board {
    stroke: var(--ink);
    stroke-width: 0.3;
  }
  .ring {
    stroke: var(--tape-orange);
    stroke-width: 0.28;
  }
</style>
