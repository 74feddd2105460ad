<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import { session } from '$lib/state/session.svelte';
  import CueGlyph from '$lib/parts/CueGlyph.svelte';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import RateBar from './RateBar.svelte';

  // Practice and the game side by side, and what goes into the next plan.
  let { view, team }: { view: Schemas['GameView']; team: string } = $props();

  const named = (ids: string[]) =>
    ids.map((id) => view.players.find((p) => p.id === id)?.name ?? 'a player who has left').join(', ');
  const seen = $derived(view.covered.filter((c) => c.seen > 0 || c.expected > 0));
  const short = $derived(view.compared.filter((c) => c.game.reps - c.game.correct > 1).slice(0, 3));
  const focus = $derived(short.map((c) => c.read).join(','));
</script>

<div class="after">
  <section class="sheet" aria-labelledby="compare">
    <h2 id="compare">Practice and this game</h2>
    <table>
      <thead
        ><tr><th>Read</th><th colspan="2">Live in practice</th><th colspan="2">In the game</th><th></th></tr
        ></thead
      >
      <tbody>
        {#each view.compared as c (c.role + c.read)}
          <tr>
            <td
              ><a href={`/${team}/squad/read/${c.read}`}
                ><ReadGlyph read={c.read} size={30} />{session.readName(c.read)}</a
              ></td
            >
            <td class="numeral count">{c.practice.correct}/{c.practice.reps}</td>
            <td class="rail"
              ><RateBar
                rate={c.practice.rate}
                low={c.practice.interval.low}
                high={c.practice.interval.high}
              /></td
            >
            <td class="numeral count">{c.game.correct}/{c.game.reps}</td>
            <td class="rail"
              ><RateBar rate={c.game.rate} low={c.game.interval.low} high={c.game.interval.high} /></td
            >
            <td
              >{#if c.verdict}<b>{c.verdict}</b>{/if}
              {#if c.missed.length}<span class="soft">Missed by {named(c.missed)}.</span>{/if}</td
            >
          </tr>
        {/each}
      </tbody>
    </table>
    {#if short.length && view.next}
      <p class="next">
        <span
          >Most is missing at {short.map((c) => session.readName(c.read).toLowerCase()).join(', ')}. The
          game’s reps count in the next plan already; this puts them first.</span
        >
        {#if session.coach}
          <a class="tape" href={`/${team}/plan/${view.next.id}?focus=${focus}`}>Into the next plan</a>
        {/if}
      </p>
    {/if}
  </section>
  <section class="sheet" aria-labelledby="seen">
    <h2 id="seen">What they showed</h2>
    <table>
      <thead><tr><th>Coverage</th><th>Seen</th><th>Of 100</th><th>Expected</th></tr></thead>
      <tbody>
        {#each seen as c (c.family + c.cue)}
          <tr>
            <td><span class="cue"><CueGlyph cue={c.cue} size={28} />{session.cueName(c.cue)}</span></td>
            <td class="numeral">{c.seen}</td>
            <td class="numeral">{Math.round(c.percent)}</td>
            <td class="numeral">{c.known ? Math.round(c.expected) : '–'}</td>
          </tr>
        {/each}
      </tbody>
    </table>
    <h2>Counted for the team</h2>
    <dl>
      {#each view.counts as c (c.id)}<div>
          <dt>{c.name}</dt>
          <dd class="numeral">{c.count}</dd>
        </div>{/each}
    </dl>
  </section>
</div>

<style>
  .after {
    display: grid;
    grid-template-columns: minmax(0, 1.9fr) minmax(16rem, 1fr);
    gap: 1rem;
    align-items: start;
  }
  section {
    padding: 0.8rem 1rem;
    min-width: 0;
    overflow-x: auto;
  }
  table {
    width: 100%;
    border-collapse: collapse;
    margin: 0.3rem 0 0.8rem;
  }
  th {
    text-align: left;
    font-weight: 400;
    color: var(--ink-soft);
    font-size: 0.9rem;
  }
  td {
    border-top: 1px solid var(--seam);
    padding: 0.25rem 0.7rem 0.25rem 0;
  }
  td a,
  .cue {
    display: flex;
    align-items: center;
    gap: 0.5rem;
    min-height: 40px;
    text-decoration: none;
    white-space: nowrap;
  }
  .count {
    font-size: 1.15rem;
  }
  .rail {
    width: 7rem;
  }
  .next {
    display: flex;
    gap: 1rem;
    align-items: center;
    justify-content: space-between;
    flex-wrap: wrap;
  }
  dl div {
    display: flex;
    justify-content: space-between;
    border-top: 1px solid var(--seam);
    padding: 0.25rem 0;
  }
  dd {
    font-size: 1.3rem;
  }
  @media (max-width: 900px) {
    .after {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
