<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import { dayOf } from '$lib/state/teamclock';

  // A learning curve: each stretch with its own range, against the target.
  let { points, target }: { points: Schemas['CurvePoint'][]; target: number } = $props();

  const width = 420;
  const height = 150;
  const pad = { left: 34, right: 12, top: 8, bottom: 22 };
  const times = $derived(points.map((p) => Date.parse(p.from)));
  const x = (t: number) => {
    const first = times[0] ?? 0;
    const span = Math.max(1, (times.at(-1) ?? 0) - first);
    return pad.left + 14 + ((t - first) / span) * (width - pad.left - pad.right - 28);
  };
  const y = (rate: number) => pad.top + (1 - rate) * (height - pad.top - pad.bottom);
  const line = $derived(points.map((p, i) => `${x(times[i]!)},${y(p.rate)}`).join(' '));
  const said = $derived(points.map((p) => `${dayOf(p.from)}: ${p.correct} of ${p.reps} correct`).join('; '));
</script>

<svg viewBox={`0 0 ${width} ${height}`} role="img" aria-label={`Week by week. ${said}`}>
  {#each [0, 0.5, 1] as r (r)}
    <line x1={pad.left} x2={width - pad.right} y1={y(r)} y2={y(r)} class="grid" />
    <text x={pad.left - 6} y={y(r) + 4} text-anchor="end">{r * 100}</text>
  {/each}
  <line x1={pad.left} x2={width - pad.right} y1={y(target)} y2={y(target)} class="target" />
  <polyline points={line} />
  {#each points as p, i (p.from)}
    <line x1={x(times[i]!)} x2={x(times[i]!)} y1={y(p.interval.low)} y2={y(p.interval.high)} class="range" />
    <circle cx={x(times[i]!)} cy={y(p.rate)} r="4.5" />
    {#if i === 0 || i === points.length - 1}
      <text x={x(times[i]!)} y={height - 5} text-anchor={i === 0 ? 'start' : 'end'}>{dayOf(p.from)}</text>
    {/if}
  {/each}
</svg>
<p class="soft">Percent right in a week with its range; the upper line is the target.</p>

<style>
  svg {
    width: 100%;
    height: auto;
  }
  .grid {
    stroke: var(--seam);
  }
  .target {
    stroke: var(--ink);
    stroke-width: 2;
  }
  polyline {
    fill: none;
    stroke: var(--line);
    stroke-width: 1.5;
  }
  .range {
    stroke: var(--line);
    stroke-width: 4;
  }
  circle {
    fill: var(--ink);
  }
  text {
    fill: var(--ink-soft);
    font-size: 12px;
  }
  p {
    font-size: 0.9rem;
  }
</style>
