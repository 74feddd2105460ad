<script lang="ts">
  import { page } from '$app/state';
  import type { Schemas } from '$lib/api/client';
  import { session } from '$lib/state/session.svelte';
  import CourtFloor from '$lib/court/CourtFloor.svelte';
  import Floor from '$lib/court/Floor.svelte';
  import { distance, framing, sy } from '$lib/court/geometry';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import { tapeOf } from '$lib/parts/glyphs';
  import { families } from '$lib/teach/families';
  import Button from '$lib/ui/Button.svelte';

  // Cue cards: one read a card, picture, cue, answer, words to shout. The sheet
  // holds the cards of an action, a whole family's, or a single one.
  const path = { teamId: page.params.team ?? '' };
  let { data } = $props();
  const cards = $derived(data.cards);

  const asked = $derived(page.url.searchParams);
  const family = $derived(families.find((f) => f.id === asked.get('family')));
  const action = $derived(asked.get('action') ?? 'down');
  const info = $derived(session.catalogue?.actions.find((s) => s.id === action));
  const title = $derived(family?.name ?? info?.name ?? '');

  /** How many further answers a card has room for. */
  const alsoShown = 3;

  /** A player's way after the read: from the place at the screen to the end. */
  const way = (play: Schemas['Play'], who: string) => {
    const read = play.steps[2]?.t ?? 0;
    const keys = play.tracks.find((t) => t.who === who)?.keys ?? [];
    return keys
      .filter((k) => k.t >= read - 1e-6)
      .map((k) => `${k.at.x},${sy(k.at)}`)
      .join(' ');
  };
  /** The pass, where the ball leaves the hands it is in. */
  const pass = (play: Schemas['Play'], holder: string | undefined) => {
    const ball = play.tracks.find((t) => t.who === 'ball')?.keys ?? [];
    const carried = play.tracks.find((t) => t.who === holder)?.keys ?? [];
    const [from, to] = ball.slice(-2);
    const end = carried[carried.length - 1];
    const flies = from && to && end && distance(to.at, end.at) > 1;
    return flies ? `M${from.at.x} ${sy(from.at)}L${to.at.x} ${sy(to.at)}` : '';
  };
</script>

<div class="page-head no-print">
  <h1>Cue cards: {title}</h1>
  <Button main onclick={() => print()}>Print</Button>
  {#if info && !family}
    {#if asked.get('cue')}
      <Button href={`?action=${action}`}>All of {info.name.toLowerCase()}</Button>
    {/if}
    <Button href={`?family=${info.family}`}>The whole family</Button>
  {/if}
  <Button href={`/${path.teamId}/teach?action=${action}`}>Back to the lab</Button>
</div>
<ul class="quiet-list cards">
  {#each cards as { lesson, row: r, s, play } (lesson.action.id + r.cue)}
    <li class="sheet" style:--tape={tapeOf(r.cutterRead)}>
      <div class="picture" class:wide={lesson.action.participants.length > 6}>
        <CourtFloor
          lines={lesson.lines}
          label={`${session.cueName(r.cue)} on the floor`}
          {...framing(s, lesson.action.participants.length, lesson.lines.halfY)}
        >
          <polyline class="cut" points={way(play, 'cutter')} />
          <path class="pass" d={pass(play, lesson.action.participants.find((p) => p.ball)?.id)} />
          <polyline class="second" points={way(play, 'screener')} />
          <Floor people={lesson.action.participants} snapshot={s} />
        </CourtFloor>
      </div>
      {#if family}<p class="soft">{lesson.action.name}</p>{/if}
      <p><b>{session.cueName(r.cue)}.</b> {r.seen}.</p>
      <p class="what"><ReadGlyph read={r.cutterRead} size={44} />{session.readName(r.cutterRead)}</p>
      <p class="shout">{session.read(r.cutterRead)?.shout}</p>
      <p class="soft">{lesson.action.parts[1]}: {session.readName(r.screenerRead).toLowerCase()}.</p>
      {#if r.cutter.length > 1}
        <div role="group" aria-label={`Also right: ${session.cueName(r.cue)}`} class="mt-1 text-sm">
          {#each r.cutter.slice(1, alsoShown + 1) as a (a.read + a.secondCue.id)}
            <p><b>{session.readName(a.read)}</b> {a.secondCue.if ? `if ${a.secondCue.if}` : 'as well'}</p>
          {/each}
        </div>
      {/if}
      {#if !asked.get('cue')}
        <a
          class="no-print one"
          href={`?action=${lesson.action.id}&cue=${r.cue}`}
          aria-label={`Only this card: ${session.cueName(r.cue)}, ${lesson.action.name.toLowerCase()}`}
          >Only this card</a
        >
      {/if}
    </li>
  {/each}
</ul>

<style>
  .cards {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(20rem, 1fr));
    gap: 1rem;
  }
  li {
    padding: 0.9rem;
    border-top: 8px solid var(--tape);
    break-inside: avoid;
  }
  .picture {
    aspect-ratio: 38 / 34;
    margin-bottom: 0.5rem;
  }
  .picture.wide {
    aspect-ratio: 52 / 34;
  }
  .pass {
    stroke: var(--ink);
    stroke-width: 0.3;
    stroke-dasharray: 1 0.8;
  }
  .cut {
    fill: none;
    stroke: var(--tape);
    stroke-width: 0.55;
  }
  .second {
    fill: none;
    stroke: var(--ink);
    stroke-width: 0.25;
    stroke-dasharray: 0.3 0.5;
  }
  .what {
    display: flex;
    align-items: center;
    gap: 0.6rem;
    font-size: 1.7rem;
    font-weight: 700;
  }
  .shout {
    font-size: 1.3rem;
  }
  .one {
    display: inline-block;
    min-height: 32px;
    font-size: 0.92rem;
  }
  @media print {
    .cards {
      grid-template-columns: 1fr 1fr;
      gap: 6mm;
    }
  }
</style>
