<script lang="ts">
  import type { Point, Schemas } from '$lib/api/client';
  import CourtFloor from '$lib/court/CourtFloor.svelte';
  import Figure from '$lib/court/Figure.svelte';
  import { add, facing, sy } from '$lib/court/geometry';

  // A picture of the core's: who stands where, the ways they take, the feet between them.
  let { picture, lines }: { picture: Schemas['OffensePicture']; lines: Schemas['Lines'] } = $props();

  const short = 1.6; // feet a way ends before whoever may stand at its end
  /** A way with the tip of its arrow, and which way it points, in degrees. */
  function arrow(w: Point[]) {
    const end = w.at(-1);
    const before = w.findLast((p) => end && Math.hypot(p.x - end.x, p.y - end.y) > short);
    if (!end || !before) return null;
    const d = Math.hypot(end.x - before.x, end.y - before.y);
    const tip = add(end, ((before.x - end.x) * short) / d, ((before.y - end.y) * short) / d);
    return { ways: [...w.slice(0, w.indexOf(before) + 1), tip], tip, turn: facing(before, end) };
  }
  const ball = $derived(picture.at[picture.ball] ?? { x: 0, y: 0 });
</script>

<CourtFloor {lines} label="Picture" top={29}>
  {#each picture.distance as d, i (i)}
    <line class="gauge" x1={d.from.x} y1={sy(d.from)} x2={d.to.x} y2={sy(d.to)} />
    <text x={(d.from.x + d.to.x) / 2} y={-(d.from.y + d.to.y) / 2 - 1}>{Math.round(d.feet)} ft</text>
  {/each}
  {#each picture.ways.map(arrow) as w, i (i)}
    {#if w}
      <polyline class="way" points={w.ways.map((p) => `${p.x},${sy(p)}`).join(' ')} />
      <path
        class="end"
        d="M0.9 0L-0.7 -0.75V0.75Z"
        transform={`translate(${w.tip.x} ${sy(w.tip)}) rotate(${w.turn})`}
      />
    {/if}
  {/each}
  {#each picture.defense as x, i (i)}<Figure kind="defense" at={x} face={facing(x, ball)} />{/each}
  {#each picture.at as p, i (i)}<Figure kind="offense" at={p} text={String(i + 1)} large />{/each}
  <Figure kind="ball" at={add(ball, 1.6, 0.9)} />
</CourtFloor>

<style>
  .gauge {
    stroke: var(--tape-teal);
    stroke-width: 0.25;
    stroke-dasharray: 0.6 0.4;
  }
  text {
    fill: var(--ink);
    font-size: 1.9px;
    text-anchor: middle;
    font-weight: 700;
  }
  .way {
    fill: none;
    stroke: var(--ink);
    stroke-width: 0.3;
  }
  .end {
    fill: var(--ink);
  }
</style>
