<script lang="ts">
  import type { Standing } from '$lib/api/client';

  // A rate's interval drawn against the target line: what is known, and how
  // well. Solid: has it. Hollow: not yet. Thick: too close to call. Thin: not enough reps.
  // Dotted: had it.
  let { standing, width = 84 }: { standing: Standing; width?: number } = $props();

  const j = $derived(standing.judgement);
  const height = 26;
  const pad = 3;
  const at = (rate: number) => pad + rate * (width - 2 * pad);
  const low = $derived(at(j.interval.low));
  const high = $derived(at(j.interval.high));
</script>

<svg viewBox={`0 0 ${width} ${height}`} {width} {height} aria-hidden="true" class={`verdict ${j.verdict}`}>
  <line x1={pad} x2={width - pad} y1={height / 2} y2={height / 2} class="base" />
  {#if j.reps > 0}
    {#if j.verdict === 'not-enough'}
      <line x1={low} x2={high} y1={height / 2} y2={height / 2} class="thin" />
    {:else if j.verdict === 'lapsed'}
      <line x1={low} x2={high} y1={height / 2} y2={height / 2} class="dotted" />
    {:else if j.verdict === 'too-close'}
      <line x1={low} x2={high} y1={height / 2} y2={height / 2} class="close" />
    {:else}
      <rect x={low} y={height / 2 - 5} width={Math.max(3, high - low)} height="10" class="bar" />
    {/if}
    <circle cx={at(j.rate)} cy={height / 2} r="2.6" class="rate" />
  {/if}
  <line x1={at(j.target)} x2={at(j.target)} y1="2" y2={height - 2} class="target" />
</svg>

<style>
  .base {
    stroke: var(--seam);
    stroke-width: 1;
  }
  .target {
    stroke: var(--ink);
    stroke-width: 2;
  }
  .has .bar {
    fill: var(--tape-green);
  }
  .has .rate {
    fill: var(--sheet);
  }
  .not-yet .bar {
    fill: var(--sheet);
    stroke: var(--tape-orange);
    stroke-width: 2.5;
  }
  .not-yet .rate {
    fill: var(--tape-orange);
  }
  .not-enough .thin {
    stroke: var(--line);
    stroke-width: 2.5;
  }
  .not-enough .rate,
  .too-close .rate {
    fill: var(--line);
  }
  .too-close .close {
    stroke: color-mix(in srgb, var(--line) 55%, var(--sheet));
    stroke-width: 7;
  }
  .lapsed .dotted {
    stroke: var(--tape-violet);
    stroke-width: 4;
    stroke-dasharray: 2 4;
  }
  .lapsed .rate {
    fill: var(--tape-violet);
  }
</style>
