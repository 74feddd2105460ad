<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import CourtFloor from '$lib/court/CourtFloor.svelte';
  import Figure from '$lib/court/Figure.svelte';
  import { add, facing, sy } from '$lib/court/geometry';

  // A picture of the core's: who stands where, the ways they take, the feet between them.
  let { picture, lines }: { picture: Schemas['OffensePicture']; lines: Schemas['Lines'] } = $props();

  const ball = $derived(picture.at[picture.ball] ?? { x: 0, y: 0 });
</script>

<CourtFloor {lines} label="Picture" top={29}>
  {#each picture.distance as d, i (i)}
    <line class="gauge" x1={d.from.x} y1={sy(d.from)} x2={d.to.x} y2={sy(d.to)} />
    <text x={(d.from.x + d.to.x) / 2} y={-(d.from.y + d.to.y) / 2 - 1}>{Math.round(d.feet)} ft</text>
  {/each}
  {#each picture.ways as w, i (i)}
    <polyline class="way" points={w.map((p) => `${p.x},${sy(p)}`).join(' ')} />
    {@const end = w.at(-1)}
    {#if end}<circle class="end" cx={end.x} cy={sy(end)} r="0.5" />{/if}
  {/each}
  {#each picture.defence as x, i (i)}<Figure kind="defence" at={x} face={facing(x, ball)} />{/each}
  {#each picture.at as p, i (i)}<Figure kind="offence" at={p} text={String(i + 1)} />{/each}
  <Figure kind="ball" at={add(ball, 1.3, 0.7)} />
</CourtFloor>

<style>
  .gauge {
    stroke: var(--tape-teal);
    stroke-width: 0.25;
    stroke-dasharray: 0.6 0.4;
  }
  text {
    fill: var(--ink);
    font-size: 1.5px;
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
