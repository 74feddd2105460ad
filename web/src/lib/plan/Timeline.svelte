<script lang="ts">
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import { session } from '$lib/state/session.svelte';
  import { dateName, weekdayName } from './days';
  import type { SeasonDay } from './season.svelte';

  // The weeks ahead: a row for each action, a column for each practice and game.
  let { days, install }: { days: SeasonDay[]; install: string[] } = $props();

  const tasks = {
    teach: { mark: 'G', says: 'guided' },
    live: { mark: 'L', says: 'live for the first time' },
    refresh: { mark: 'R', says: 'live again, before the players lose it' }
  } as const;

  const itemOf = (d: SeasonDay, id: string) => d.items.find((i) => i.action === id);
  const readsOf = (id: string) => days.flatMap((d) => d.items).find((i) => i.action === id)?.reads ?? [];
</script>

<div class="scroll sheet">
  <table>
    <thead>
      <tr>
        <th scope="col">Action and its reads</th>
        {#each days as d (d.date + d.game)}
          <th scope="col" class:game={d.game}>
            {d.game ? 'Game' : weekdayName(d.date)}<span class="numeral">{dateName(d.date)}</span>
          </th>
        {/each}
      </tr>
    </thead>
    <tbody>
      {#each install as id (id)}
        <tr>
          <th scope="row"
            >{session.screenName(id)}
            <span class="glyphs" aria-hidden="true"
              >{#each readsOf(id) as r (r)}<ReadGlyph read={r} size={20} />{/each}</span
            ></th
          >
          {#each days as d (d.date + d.game)}
            {@const item = itemOf(d, id)}
            <td class:game={d.game}>
              {#if item}
                <span class={`task ${item.task}`} title={item.by ? `due by ${dateName(item.by)}` : undefined}
                  ><span aria-hidden="true">{tasks[item.task].mark}</span><span class="visually-hidden"
                    >{tasks[item.task].says}</span
                  ></span
                >
              {:else if d.ready.includes(id)}<span class="need">ready</span>
              {:else if d.missing.includes(id)}<span class="need missing">not yet</span>{/if}
            </td>
          {/each}
        </tr>
      {/each}
    </tbody>
  </table>
</div>
<p class="key soft">
  {#each Object.entries(tasks) as [id, t] (id)}
    <span><span class={`task ${id}`} aria-hidden="true">{t.mark}</span> {t.says}</span>
  {/each}
</p>

<style>
  .scroll {
    position: relative; /* keeps what only screen readers see from widening the page */
    overflow-x: auto;
    width: fit-content;
    max-width: 100%;
  }
  table {
    border-collapse: collapse;
  }
  th,
  td {
    padding: 0.25rem 0.4rem;
    text-align: center;
    border-left: 1px solid var(--seam);
    height: 2.9rem;
    min-width: 3.4rem;
  }
  tr > :first-child {
    border-left: 0;
    text-align: left;
    min-width: 11rem;
    padding-left: 0.8rem;
    position: sticky;
    left: 0;
    background: var(--sheet);
  }
  tbody tr {
    border-top: 1px solid var(--seam);
  }
  thead th {
    font-weight: 400;
    font-size: 0.9rem;
    line-height: 1.15;
  }
  thead .numeral {
    display: block;
    white-space: nowrap;
  }
  .glyphs {
    display: flex;
    gap: 1px;
    margin-top: 1px;
  }
  .game {
    background: color-mix(in srgb, var(--mark) 22%, var(--sheet));
  }
  thead .game {
    font-weight: 700;
  }
  .task {
    display: inline-grid;
    place-items: center;
    width: 2rem;
    height: 2rem;
    font-family: var(--font-numeral);
    font-weight: 600;
    border: 3px solid var(--tape-blue);
    color: var(--tape-blue);
  }
  .live {
    background: var(--tape-blue);
    color: var(--sheet);
  }
  .refresh {
    border-radius: 50%;
    border-style: dashed;
    border-width: 2px;
  }
  .need {
    font-weight: 700;
    font-size: 0.9rem;
  }
  .missing {
    color: var(--alarm);
  }
  .key {
    display: flex;
    gap: 1.5rem;
    flex-wrap: wrap;
    margin-top: 0.6rem;
  }
  .key .task {
    width: 1.6rem;
    height: 1.6rem;
    font-size: 0.9rem;
  }
</style>
