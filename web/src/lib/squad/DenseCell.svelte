<script lang="ts">
  import type { Standing } from '$lib/api/client';

  // A cell for a board of many reads: the highest rung held as a numeral, and under it
  // the range against the target, drawn as on the wide board.
  let { standing }: { standing: Standing } = $props();

  const j = $derived(standing.judgement);
  const width = 34;
  const at = (rate: number) => 2 + rate * (width - 4);
</script>

<svg viewBox={`0 0 ${width} 38`} aria-hidden="true" class={j.verdict}>
  {#if j.reps === 0}
    <circle cx={width / 2} cy="19" r="1.6" class="none" />
  {:else}
    {#if standing.held}<text x={width / 2} y="19" text-anchor="middle">{standing.held}</text>{/if}
    {#if standing.gap || standing.does || standing.game}<path
        d={`M${width - 8} 5h6l-3 5z`}
        class="gap"
      />{/if}
    <line x1="2" x2={width - 2} y1="29" y2="29" class="base" />
    {#if j.verdict === 'has' || j.verdict === 'not-yet'}
      <rect
        x={at(j.interval.low)}
        y="25"
        width={Math.max(3, at(j.interval.high) - at(j.interval.low))}
        height="8"
        class="bar"
      />
    {:else}
      <line x1={at(j.interval.low)} x2={at(j.interval.high)} y1="29" y2="29" class="range" />
    {/if}
    <line x1={at(j.target)} x2={at(j.target)} y1="22" y2="36" class="target" />
  {/if}
</svg>

<style>
  svg {
    display: block;
    width: 100%;
    max-width: 40px;
    margin: 0 auto;
  }
  text {
    font-family: var(--font-numeral);
    font-weight: 600;
    font-size: 20px;
    fill: var(--ink);
  }
  .none {
    fill: var(--line);
  }
  .base {
    stroke: var(--seam);
  }
  .target {
    stroke: var(--ink);
    stroke-width: 2;
  }
  .has .bar {
    fill: var(--tape-green);
  }
  .not-yet .bar {
    fill: var(--sheet);
    stroke: var(--tape-orange);
    stroke-width: 2;
  }
  .not-enough .range {
    stroke: var(--line);
    stroke-width: 2.5;
  }
  .too-close .range {
    stroke: color-mix(in srgb, var(--line) 55%, var(--sheet));
    stroke-width: 6;
  }
  .lapsed .range {
    stroke: var(--tape-violet);
    stroke-width: 4;
    stroke-dasharray: 2 3;
  }
  .gap {
    fill: var(--tape-orange);
  }
</style>
