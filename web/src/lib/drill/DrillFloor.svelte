<script lang="ts">
  import type { Point, Schemas } from '$lib/api/client';
  import CourtFloor from '$lib/court/CourtFloor.svelte';
  import Figure from '$lib/court/Figure.svelte';
  import { add, along, mirror, sy } from '$lib/court/geometry';
  import type { Player } from '$lib/court/player.svelte';

  // A drill's rep on the floor: where it starts, or running, with the jerseys of
  // whoever is up.
  let {
    drill,
    motion,
    player,
    rep,
    jersey
  }: {
    drill: Schemas['Drill'];
    motion: Schemas['Motion'];
    player: Player;
    rep?: Schemas['OrderRep'] | undefined;
    jersey: (id: string) => string;
  } = $props();

  const turn = $derived(rep?.side === 'left' ? mirror : (p: Point) => p);
  const at = (who: string) => {
    const keys = motion.play.tracks.find((t) => t.who === who)?.keys;
    return keys ? turn(along(keys, player.play ? player.time : 0)) : undefined;
  };
  const ways = $derived(
    motion.play.tracks
      .filter((t) => t.who !== 'ball' && t.keys.length > 1)
      .map((t) => ({
        who: t.who,
        points: t.keys.map((k) => `${turn(k.at).x},${sy(turn(k.at))}`).join(' ')
      }))
  );

  /** Whose jersey stands in a position; the letter where a helper or nobody does. */
  const filled = $derived.by(() => {
    const own = drill.positions.filter((p) => !p.helper);
    const by = new Map<string, string>();
    if (rep) {
      const first = [rep.cutter, rep.screener];
      own.slice(0, 2).forEach((p, i) => by.set(p.id, jersey(first[i] ?? '')));
      for (const o of rep.others ?? []) by.set(o.position, jersey(o.player));
    }
    return by;
  });
  const ball = $derived(at('ball'));
</script>

<CourtFloor lines={motion.lines} label="One rep on the floor" top={Math.min(27, motion.lines.halfY)}>
  {#each ways as w (w.who)}<polyline class="way" points={w.points} />{/each}
  {#each drill.positions as p (p.id)}
    {@const here = at(p.id)}
    {#if here}<Figure kind="offense" at={here} text={filled.get(p.id) || p.letter} />{/if}
  {/each}
  {#if ball}<Figure kind="ball" at={add(ball, 1.6, 0.9)} />{/if}
</CourtFloor>

<style>
  .way {
    fill: none;
    stroke: var(--ink);
    stroke-width: 0.2;
    opacity: 0.35;
    stroke-dasharray: 0.7 0.5;
  }
</style>
