<script lang="ts">
  import type { Point, Schemas, Snapshot } from '$lib/api/client';
  import Figure from './Figure.svelte';
  import { add, along, facing, placeOf, stance } from './geometry';

  // Everybody of a snapshot on the floor, as it is or at a time of its play.
  let {
    people,
    snapshot: s,
    play = null,
    time = 0,
    wrap,
    lifted = '',
    ring = '',
    now = false
  }: {
    people: Schemas['Participant'][];
    snapshot: Snapshot;
    play?: Schemas['Play'] | null;
    time?: number;
    /** Draws a figure in something that can be taken hold of. */
    wrap?: import('svelte').Snippet<[Schemas['Participant'], import('svelte').Snippet]>;
    lifted?: string;
    /** Who has a ring; now is the moment that they decide. */
    ring?: string;
    now?: boolean;
  } = $props();

  const at = (who: string): Point => {
    const track = play?.tracks.find((t) => t.who === who);
    return track ? along(track.keys, time) : placeOf(s, who);
  };
  const ball = $derived.by(() => {
    const track = play?.tracks.find((t) => t.who === 'ball');
    const holder = people.find((p) => p.ball);
    return add(track ? along(track.keys, time) : placeOf(s, holder?.id ?? 'passer'), 1.6, 0.9);
  });
  const face = (p: Schemas['Participant'], here: Point) => {
    if (p.id === 'screener') return stance(s, placeOf(s, 'screener'));
    if (p.screens) return facing(placeOf(s, p.id), s.from) + 180;
    const looks = s.facing?.[p.id];
    if (looks) return facing(here, looks);
    return facing(here, at(p.guards));
  };
  // Attackers first, so that a defender on top of them can be taken hold of.
  const kind = (p: Schemas['Participant']) =>
    p.guards !== 'none' ? 'defense' : p.screens ? 'screener' : 'offense';
</script>

{#each people as p (p.id)}
  {@const here = at(p.id)}
  {#snippet figure()}
    <Figure
      kind={kind(p)}
      at={here}
      text={p.letter}
      face={face(p, here)}
      lifted={lifted === p.id}
      ring={ring === p.id ? (now ? 'now' : 'on') : ''}
    />
  {/snippet}
  {#if wrap}{@render wrap(p, figure)}{:else}{@render figure()}{/if}
{/each}
<Figure kind="ball" at={ball} />
