<script lang="ts">
  import { onMount } from 'svelte';
  import { page } from '$app/state';
  import { api, ask, type Schemas } from '$lib/api/client';
  import { session } from '$lib/state/session.svelte';
  import CourtFloor from '$lib/court/CourtFloor.svelte';
  import Figure from '$lib/court/Figure.svelte';
  import { facing, sy } from '$lib/court/geometry';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import { cueName, tapeOf } from '$lib/parts/glyphs';

  // A sheet of cue cards: one read a card, picture, cue, answer, words to shout.
  const path = { teamId: page.params.team ?? '' };
  let lesson = $state<Schemas['Lesson'] | null>(null);
  let plays = $state<Schemas['Play'][]>([]);

  onMount(async () => {
    const screen = page.url.searchParams.get('screen') ?? 'down';
    const l = await ask(api.GET('/api/teams/{teamId}/lesson', { params: { path, query: { screen } } }));
    plays = await Promise.all(
      l.examples.map((body) => ask(api.POST('/api/teams/{teamId}/play', { params: { path }, body })))
    );
    lesson = l;
  });

  /** A player's way after the read: from his place at the screen to the end. */
  const way = (play: Schemas['Play'] | undefined, who: string) => {
    const read = play?.steps[2]?.t ?? 0;
    const keys = play?.tracks.find((t) => t.who === who)?.keys ?? [];
    return keys
      .filter((k) => k.t >= read - 1e-6)
      .map((k) => `${k.at.x},${sy(k.at)}`)
      .join(' ');
  };
</script>

{#if !lesson}
  <p role="status" class="soft">Drawing the cards…</p>
{:else}
  <div class="head no-print">
    <h1>Cue cards: {lesson.screen.name}</h1>
    <button class="tape" onclick={() => print()}>Print</button>
    <a class="tape plain" href={`/${path.teamId}/teach?screen=${lesson.screen.id}`}>Back to the lab</a>
  </div>
  <ul class="quiet-list cards">
    {#each lesson.rows as r, i (r.cue)}
      {@const s = lesson.examples[i]}
      <li class="sheet" style:--tape={tapeOf(r.cutterRead)}>
        <div class="picture">
          <CourtFloor lines={lesson.lines} label={`${cueName(r.cue)} on the floor`} top={26} left={-12}>
            {#if s}
              <polyline class="cut" points={way(plays[i], 'cutter')} />
              <polyline class="second" points={way(plays[i], 'screener')} />
              <Figure kind="offence" at={s.passer} text="P" />
              <Figure kind="screener" at={s.screener} text="S" face={facing(s.screener, s.from)} />
              <Figure kind="offence" at={s.cutter} text="C" />
              <Figure kind="defence" at={s.xCutter} text="C" face={facing(s.xCutter, s.cutter)} />
              <Figure kind="defence" at={s.xScreener} text="S" face={facing(s.xScreener, s.screener)} />
            {/if}
          </CourtFloor>
        </div>
        <p><b>{cueName(r.cue)}.</b> {r.seen}.</p>
        <p class="answer"><ReadGlyph read={r.cutterRead} size={44} />{session.readName(r.cutterRead)}</p>
        <p class="shout">{session.read(r.cutterRead)?.shout}</p>
        <p class="soft">Screener: {session.readName(r.screenerRead).toLowerCase()}.</p>
      </li>
    {/each}
  </ul>
{/if}

<style>
  .head {
    display: flex;
    gap: 0.75rem;
    align-items: center;
    flex-wrap: wrap;
    margin-bottom: 1rem;
  }
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
  .answer {
    display: flex;
    align-items: center;
    gap: 0.6rem;
    font-size: 1.7rem;
    font-weight: 700;
  }
  .shout {
    font-size: 1.3rem;
  }
  @media print {
    .cards {
      grid-template-columns: 1fr 1fr;
      gap: 6mm;
    }
  }
</style>
