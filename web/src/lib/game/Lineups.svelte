<script lang="ts">
  import type { Player, Schemas } from '$lib/api/client';
  import { session } from '$lib/state/session.svelte';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import RateBar from './RateBar.svelte';

  type Five = Schemas['Five'];

  // The fives that answer most, with what they come from.
  let { found, players }: { found: Schemas['Lineups']; players: Player[] } = $props();

  const who = (id: string) => players.find((p) => p.id === id);
  const of100 = (x: number) => Math.round(100 * x);
  const parts = (f: Five, id: string) =>
    [
      f.handler === id && 'handles it',
      f.screener === id && 'screens',
      f.roller === id && 'rolls',
      f.popper === id && 'pops'
    ].filter(Boolean);
  const top = $derived(found.fives[0]!);
</script>

<section aria-label="Line-ups" class="fives">
  <p class="soft">
    <b class="numeral">{found.compared.toLocaleString()}</b> fives were compared.
    {#if top.first < 0.5}The first ones are close: with what the records allow, the first is the best of those
      below in {of100(top.first)} of 100 cases.{:else}With what the records allow, the first is the best of
      those below in
      {of100(top.first)} of 100 cases.{/if}
  </p>
  {#each found.fives as f, i (f.players.join())}
    <article class="sheet" class:best={i === 0} aria-label={`Line-up ${i + 1}`}>
      <div class="five">
        <ol class="quiet-list">
          {#each f.players as id (id)}
            <li>
              <span class="numeral">{who(id)?.jersey}</span>
              <span
                ><b>{who(id)?.name}</b>
                {#each parts(f, id) as part (part)}<small>{part}</small>{/each}</span
              >
            </li>
          {/each}
        </ol>
        <div class="score">
          <b class="numeral">{of100(f.score)}</b><span class="soft">of 100 answered</span>
          <RateBar rate={f.score} low={f.interval.low} high={f.interval.high} />
          <small class="soft">
            between {of100(f.interval.low)} and {of100(f.interval.high)}
          </small>
        </div>
      </div>
      {#if f.note}<p class="warn">{f.note}</p>{/if}
      <details>
        <summary>The arithmetic</summary>
        <table>
          <thead>
            <tr
              ><th>Situation</th><th>They show</th><th>Of 100</th><th>Reads</th><th>Who</th><th>Right</th><th
                >Both right</th
              ><th>Answered</th></tr
            >
          </thead>
          <tbody>
            {#each f.lines.filter((l) => l.share > 0.0005) as l (l.screen + l.cue)}
              <tr>
                <td>{session.screenName(l.screen)}</td>
                <td>{session.cueName(l.cue)}</td>
                <td class="numeral">{(100 * l.share).toFixed(1)}</td>
                <td class="reads"
                  >{#each l.reads as r, k (k)}<ReadGlyph read={r} size={22} />{session.readName(r)}
                  {/each}</td
                >
                <td>{l.user ? `${who(l.user)?.name}, ${who(l.screener)?.name}` : 'any two of the five'}</td>
                <td class="numeral">{of100(l.userRate)} · {of100(l.screenerRate)}</td>
                <td class="numeral">{of100(l.both)}</td>
                <td class="numeral">{(100 * l.share * l.both).toFixed(1)}</td>
              </tr>
            {/each}
          </tbody>
        </table>
        <p class="soft">
          “Answered” adds up to the {of100(f.score)} above. Off the ball anybody may be in the screen, so it is
          the mean over every two of the five.
        </p>
      </details>
    </article>
  {/each}
</section>

{#if found.stints.length > 0}
  <section class="sheet stints" aria-labelledby="stints">
    <h2 id="stints">The minutes shared out</h2>
    <p class="soft">
      Answers <b class="numeral">{of100(found.share)}</b> of 100 on average. Nobody runs more than two stints in
      a row where the minutes allow it.
    </p>
    <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
    <div class="scroll" role="region" tabindex="0" aria-label="Minutes, scrolls">
      <table>
        <thead>
          <tr
            ><th>Player</th>{#each found.stints as s, i (i)}<th class="numeral">{Math.round(s.start)}′</th
              >{/each}<th>Minutes</th></tr
          >
        </thead>
        <tbody>
          {#each players.filter((p) => found.stints.some((s) => s.players.includes(p.id))) as p (p.id)}
            <tr>
              <td><span class="numeral">{p.jersey}</span> {p.name}</td>
              {#each found.stints as s, i (i)}
                {@const on = s.players.includes(p.id)}
                <td class:on><span class="visually-hidden">{on ? 'plays' : 'rests'}</span></td>
              {/each}
              <td class="numeral"
                >{Math.round(
                  found.stints.filter((s) => s.players.includes(p.id)).reduce((m, s) => m + s.minutes, 0)
                )}</td
              >
            </tr>
          {/each}
        </tbody>
      </table>
    </div>
  </section>
{/if}

<style>
  .fives {
    display: grid;
    gap: 0.7rem;
    min-width: 0;
  }
  article {
    padding: 0.6rem 1rem;
    min-width: 0;
  }
  .best {
    border-left: 10px solid var(--mark);
  }
  .five {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 12rem;
    gap: 1rem;
    align-items: center;
  }
  ol {
    display: grid;
    grid-template-columns: repeat(5, minmax(0, 1fr));
    gap: 0.4rem;
  }
  li {
    display: flex;
    gap: 0.5rem;
    align-items: flex-start;
    line-height: 1.15;
  }
  li .numeral {
    font-size: 1.9rem;
    line-height: 1;
  }
  li small {
    display: block;
    color: var(--ink-soft);
  }
  .score b {
    font-size: 2rem;
    line-height: 1;
    margin-right: 0.4rem;
  }
  .score small {
    display: block;
    font-size: 0.85rem;
  }
  summary {
    cursor: pointer;
    min-height: 44px;
    padding-top: 0.5rem;
  }
  details {
    overflow-x: auto;
  }
  table {
    border-collapse: collapse;
    width: 100%;
    font-size: 0.95rem;
  }
  th {
    text-align: left;
    font-weight: 400;
    color: var(--ink-soft);
    white-space: nowrap;
  }
  td,
  th {
    padding: 0.2rem 0.8rem 0.2rem 0;
  }
  td {
    border-top: 1px solid var(--seam);
    white-space: nowrap;
  }
  .reads {
    display: flex;
    align-items: center;
    gap: 0.3rem;
  }
  .stints {
    padding: 0.8rem 1rem;
    min-width: 0;
  }
  .scroll {
    overflow-x: auto;
  }
  .stints td:not(:first-child):not(:last-child) {
    border: 2px solid var(--sheet);
    background: var(--floor);
    min-width: 2.6rem;
  }
  .stints td.on:not(:first-child) {
    background: var(--ink);
  }
  @media (max-width: 760px) {
    .five,
    ol {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
