<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import { session } from '$lib/state/session.svelte';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import RateBar from './RateBar.svelte';

  // What the opponent will ask, and how much of it the squad answers.
  let { view, team }: { view: Schemas['GameView']; team: string } = $props();

  const named = (ids: string[]) =>
    ids.map((id) => view.players.find((p) => p.id === id)?.name ?? '?').join(', ');
  const of100 = (x: number) => Math.round(100 * x);
  const shown = 10;
  let all = $state(false);
  const asked = $derived(view.ready.filter((r) => r.share > 0));
</script>

<section class="sheet" aria-labelledby="ready">
  <h2 id="ready">What they will ask</h2>
  <p class="sum">
    Of <b class="numeral">100</b> screens like these, both players read it right in about
    <b class="numeral big">{of100(view.total)}</b>.
    <span class="soft">Where most goes unanswered comes first.</span>
  </p>
  <table>
    <thead>
      <tr><th>Read</th><th>Asked</th><th colspan="2">Made</th><th>Best at it</th><th>Needs it most</th></tr>
    </thead>
    <tbody>
      {#each all ? asked : asked.slice(0, shown) as r (r.role + r.read)}
        <tr>
          <td
            ><a href={`/${team}/squad/read/${r.read}`}
              ><ReadGlyph read={r.read} size={30} />{session.readName(r.read)}<small class="soft"
                >{r.role}</small
              ></a
            ></td
          >
          <td class="numeral">{of100(r.share)}</td>
          {#if r.reps > 0}
            <td class="rail"><RateBar rate={r.rate} /></td>
            <td class="numeral">{of100(r.rate)}</td>
            <td>{named(r.best)}</td>
            <td class="soft">{named(r.worst)}</td>
          {:else}
            <td colspan="4" class="soft">Nobody has a rep of it; half is assumed.</td>
          {/if}
        </tr>
      {/each}
    </tbody>
  </table>
  {#if asked.length > shown}
    <button class="tape plain" onclick={() => (all = !all)}
      >{all ? 'Only the first' : `All ${asked.length} reads`}</button
    >
  {/if}
  <details>
    <summary class="soft">How this is computed</summary>
    <p class="soft">
      Every situation the team runs ({view.situations.map((s) => session.screenName(s)).join(', ')}) counts
      the same, and in it every coverage as often as expected. “Asked” is how many of a hundred need the read,
      “made” how many of a hundred the players whose part it is would make: their reps, newest counting most,
      shown ones half, together with four reps at the team’s rate, so that who has few reps is taken for a
      player like the others. Both right is the product of the two.
    </p>
  </details>
</section>

<style>
  section {
    padding: 0.8rem 1rem;
    min-width: 0;
    overflow-x: auto;
  }
  .sum {
    margin: 0.2rem 0 0.6rem;
  }
  .big {
    font-size: 1.7rem;
  }
  table {
    width: 100%;
    border-collapse: collapse;
  }
  th {
    text-align: left;
    font-weight: 400;
    font-size: 0.9rem;
    color: var(--ink-soft);
  }
  td {
    border-top: 1px solid var(--seam);
    padding: 0.2rem 0.7rem 0.2rem 0;
  }
  td.numeral {
    font-size: 1.15rem;
  }
  td a {
    display: flex;
    align-items: center;
    gap: 0.5rem;
    min-height: 40px;
    text-decoration: none;
    white-space: nowrap;
  }
  .rail {
    width: 7rem;
  }
  summary {
    cursor: pointer;
    min-height: 44px;
    padding-top: 0.6rem;
  }
  details p {
    max-width: 60rem;
    font-size: 0.92rem;
  }
  .tape {
    margin-top: 0.5rem;
  }
</style>
