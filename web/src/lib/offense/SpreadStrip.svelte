<script lang="ts">
  import type { OffenseLab } from './lab.svelte';

  // How far apart the nearest two outside are, through the run, with the twelve feet that
  // are wanted; and how people are spaced now.
  let { lab }: { lab: OffenseLab } = $props();

  const wanted = $derived(lab.view.neighbors); // ft, the rule
  const [least, most] = [4, 28]; // ft at the bottom and the top of the strip
  const [width, height] = [300, 48]; // the strip's own units, two a foot high
  const y = (feet: number) => height * (1 - (Math.max(least, Math.min(feet, most)) - least) / (most - least));
  const x = (t: number) => (t / end) * width;
  const samples = $derived(lab.run?.spacing.filter((s) => s.nearest > 0) ?? []);
  const end = $derived(lab.run?.play.duration ?? 1);
  const line = (of: 'nearest' | 'apart') =>
    samples.map((s) => `${x(s.t).toFixed(1)},${y(s[of]).toFixed(1)}`).join(' ');
  const now = $derived(lab.spread);
</script>

{#if lab.run && now}
  <section class="sheet" aria-label="Spacing">
    <h2>Spacing</h2>
    <dl>
      <div>
        <dd class="numeral">{now.apart > 0 ? `${now.apart.toFixed(0)} ft` : '–'}</dd>
        <dt>between neighbors</dt>
      </div>
      <div class:short={now.nearest > 0 && now.nearest < wanted}>
        <dd class="numeral">{now.nearest > 0 ? `${now.nearest.toFixed(0)} ft` : '–'}</dd>
        <dt>the nearest two</dt>
      </div>
      <div>
        <dd class="numeral">{now.inside}</dd>
        <dt>inside the arc</dt>
      </div>
      <div>
        <dd class="numeral">{now.empty}</dd>
        <dt>spots empty</dt>
      </div>
    </dl>
    <svg
      viewBox="0 0 {width} {height}"
      preserveAspectRatio="none"
      role="img"
      aria-label="Feet between neighbors outside, through the run, and the nearest two; the broken line is at {wanted} feet"
    >
      <rect class="below" x="0" y={y(wanted)} {width} height={height - y(wanted)} />
      <polyline class="apart" points={line('apart')} />
      <polyline class="near" points={line('nearest')} />
      <line class="wanted" x1="0" x2={width} y1={y(wanted)} y2={y(wanted)} />
      <line class="time" x1={x(lab.player.time)} x2={x(lab.player.time)} y1="0" y2={height} />
    </svg>
    <p class="soft">
      Thick: neighbors outside. Thin: the nearest two; below the broken line, at {wanted} ft, one defender guards
      both.
    </p>
  </section>
{/if}

<style>
  section {
    display: grid;
    gap: 0.4rem;
    padding: 0.8rem 1rem;
  }
  dl {
    display: grid;
    grid-template-columns: repeat(4, 1fr);
    gap: 0.5rem;
  }
  dd {
    font-size: 1.5rem;
    font-weight: 700;
    line-height: 1.1;
  }
  dt {
    font-size: 0.85rem;
    color: var(--ink-soft);
    line-height: 1.15;
  }
  .short dd {
    border-bottom: 4px solid var(--tape-orange);
    justify-self: start;
    display: inline-block;
  }
  svg {
    width: 100%;
    height: 3.6rem;
    border-bottom: 1px solid var(--line);
  }
  .below {
    fill: var(--seam);
    opacity: 0.6;
  }
  .apart,
  .near {
    fill: none;
    stroke: var(--ink);
    stroke-width: 1.5;
    vector-effect: non-scaling-stroke;
  }
  .apart {
    stroke-width: 4;
  }
  .wanted {
    stroke: var(--tape-orange);
    stroke-width: 2;
    stroke-dasharray: 6 4;
    vector-effect: non-scaling-stroke;
  }
  .time {
    stroke: var(--mark);
    stroke-width: 4;
    vector-effect: non-scaling-stroke;
  }
  p {
    font-size: 0.88rem;
    line-height: 1.25;
  }
</style>
