<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import CourtFloor from '$lib/court/CourtFloor.svelte';
  import Figure from '$lib/court/Figure.svelte';
  import { add, along, sy } from '$lib/court/geometry';

  // One phase of a drill as a still picture: where everybody begins, the ways
  // they run, and the way of the ball.
  let {
    drill,
    motion,
    from,
    to
  }: { drill: Schemas['Drill']; motion: Schemas['Motion']; from: number; to: number } = $props();

  const pass = (keys: { t: number; at: { x: number; y: number } }[]) => {
    const between = keys.filter((k) => k.t > from && k.t < to).map((k) => k.at);
    return [along(keys, from), ...between, along(keys, to)].map((p) => `${p.x},${sy(p)}`).join(' ');
  };
  const keysOf = (who: string) => motion.play.tracks.find((t) => t.who === who)?.keys;
  const ball = $derived(keysOf('ball'));
</script>

<CourtFloor lines={motion.lines} label="Phase" top={Math.min(27, motion.lines.halfY)}>
  {#if ball}<polyline class="ball-way" points={pass(ball)} />{/if}
  {#each drill.positions as p (p.id)}
    {@const keys = keysOf(p.id)}
    {#if keys}
      <polyline class="way" points={pass(keys)} />
      <Figure kind="offense" at={along(keys, from)} text={p.letter} />
    {/if}
  {/each}
  {#if ball}<Figure kind="ball" at={add(along(ball, from), 1.6, 0.9)} />{/if}
</CourtFloor>

<style>
  .way {
    fill: none;
    stroke: var(--ink);
    stroke-width: 0.35;
  }
  .ball-way {
    fill: none;
    stroke: #b5581a;
    stroke-width: 0.3;
    stroke-dasharray: 0.9 0.7;
  }
</style>
