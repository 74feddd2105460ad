<script lang="ts">
  import { onMount } from 'svelte';
  import { page } from '$app/state';
  import { api, ask, type Schemas } from '$lib/api/client';
  import { session } from '$lib/state/session.svelte';
  import IntervalCell from '$lib/parts/IntervalCell.svelte';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import RosterEditor from '$lib/squad/RosterEditor.svelte';
  import { verdictName } from '$lib/parts/verdicts';

  const team = page.params.team ?? '';
  let role = $state<'cutter' | 'screener'>('cutter');
  let board = $state<Schemas['Board'] | null>(null);
  let editing = $state(false);

  let agreement = $state.raw<Schemas['Agreement'][]>([]);

  async function load(r: 'cutter' | 'screener') {
    board = await ask(
      api.GET('/api/teams/{teamId}/board', { params: { path: { teamId: team }, query: { role: r } } })
    );
    if (board.players.length === 0) editing = true;
  }
  onMount(async () => {
    await load(role);
    agreement = await ask(api.GET('/api/teams/{teamId}/agreement', { params: { path: { teamId: team } } }));
  });

  function show(r: 'cutter' | 'screener') {
    role = r;
    load(r);
  }

  const tendency = (p: Schemas['Player']) =>
    [p.handler && 'handler', p.wing && 'wing', p.big && 'big', p.shooter && 'shooter']
      .filter(Boolean)
      .join(', ');
</script>

<div class="page-head">
  <h1>Squad</h1>
  <div role="radiogroup" aria-label="Reads of" class="flex">
    {#each [['cutter', 'As cutter'], ['screener', 'As screener']] as const as [id, label] (id)}
      <button class="tape plain" role="radio" aria-checked={role === id} onclick={() => show(id)}
        >{label}</button
      >
    {/each}
  </div>
  <span class="grow"></span>
  <button class="tape plain" onclick={() => (editing = !editing)}
    >{editing ? 'Back to the board' : 'Edit the roster'}</button
  >
</div>

{#if !board}
  <p role="status" class="soft">Reading the log…</p>
{:else if editing}
  <RosterEditor {team} players={board.players} onchange={() => load(role)} />
{:else}
  <div class="scroll sheet">
    <table>
      <thead>
        <tr>
          <th scope="col" class="who">Player</th>
          {#each board.columns as c (c)}
            <th scope="col"
              ><a class="read" href={`/${team}/squad/read/${c}`}
                ><ReadGlyph read={c} size={38} />{session.readName(c)}</a
              ></th
            >
          {/each}
        </tr>
      </thead>
      <tbody>
        {#each board.lines as line, i (line.player)}
          {@const p = board.players[i]}
          <tr>
            <th scope="row" class="who">
              <a href={`/${team}/squad/${line.player}`}>
                <span class="numeral jersey">{p?.jersey}</span>
                <span>{p?.name}<small class="soft">{p ? tendency(p) : ''}</small></span>
              </a>
            </th>
            {#each line.cells as cell (cell.read)}
              {@const j = cell.judgement}
              <td title={`${j.sentence}${cell.gap ? ` ${cell.gap}` : ''}`}>
                <a
                  href={`/${team}/squad/${line.player}?read=${cell.read}`}
                  aria-label={`${p?.name}, ${session.readName(cell.read)}: ${verdictName(j.verdict)}${cell.held ? `, holds rung ${cell.held}` : ''}`}
                >
                  <IntervalCell standing={cell} />
                  <span class="numeral held">{cell.held || ''}</span>
                  <small class={j.verdict}
                    >{j.tally.reps === 0 ? 'no reps' : verdictName(j.verdict)}{cell.gap ? ' ◂▸' : ''}</small
                  >
                </a>
              </td>
            {/each}
          </tr>
        {/each}
      </tbody>
    </table>
  </div>
  <p class="key soft">
    The bar is where the true rate lies, the upright line is the target, the numeral the highest rung held.
    Solid: has it. Hollow: not yet. Thin: too few to say. Dotted: stale. ◂▸: left and right differ. Tap a cell
    for the arithmetic, a read for everything about it.
    <a href={`/api/teams/${team}/evidence?what=verdicts`} download>Verdicts as CSV</a>,
    <a href={`/api/teams/${team}/evidence?what=reps`} download>every rep as CSV</a>.
  </p>
  {#if agreement.length > 0}
    <section class="agreement" aria-label="Do two of us see the same?">
      <h2>Do two of us see the same?</h2>
      {#each agreement as a (a.first + a.second)}
        <p class:warn={a.watch}>
          <b>{a.first}</b> and <b>{a.second}</b> saw the same read in <b class="numeral">{a.same}</b> of
          <b class="numeral">{a.reps}</b> reps both watched (kappa {a.kappa.toFixed(2)}).
          {#if a.differ[0]}
            Most often one saw {session.readName(a.differ[0].first).toLowerCase()} where the other saw
            {session.readName(a.differ[0].second).toLowerCase()}.
          {/if}
          {#if a.watch}Watch a few reps together and say aloud what you see.{/if}
        </p>
      {/each}
    </section>
  {/if}
{/if}

<style>
  .agreement {
    margin-top: 1.2rem;
    display: grid;
    gap: 0.5rem;
  }
  .page-head .flex .tape {
    margin-left: -2px;
    border-radius: 0;
  }
  .grow {
    flex: 1;
  }
  .scroll {
    overflow: auto;
  }
  table {
    border-collapse: collapse;
    width: 100%;
  }
  thead th {
    position: sticky;
    top: 0;
    background: var(--sheet);
    text-align: left;
    padding: 0.45rem 0.5rem;
    border-bottom: 3px solid var(--ink);
    z-index: 1;
  }
  .read {
    min-height: 48px;
    text-decoration: none;
    display: flex;
    align-items: center;
    gap: 0.4rem;
    font-size: 0.95rem;
    white-space: nowrap;
  }
  .who {
    text-align: left;
    position: sticky;
    left: 0;
    background: var(--sheet);
    min-width: 9.5rem;
  }
  .who a {
    display: flex;
    align-items: center;
    gap: 0.6rem;
    min-height: 48px;
    padding-left: 0.6rem;
    text-decoration: none;
    font-weight: 700;
    line-height: 1.1;
  }
  .who small {
    display: block;
    font-weight: 400;
  }
  .jersey {
    font-size: 1.5rem;
    min-width: 1.7rem;
    text-align: right;
  }
  tbody tr {
    border-top: 1px solid var(--seam);
  }
  td {
    padding: 0;
  }
  td a {
    display: grid;
    grid-template-columns: 84px 1.1rem;
    align-items: center;
    gap: 0 0.5rem;
    padding: 0.2rem 0.5rem;
    text-decoration: none;
    min-height: 48px;
  }
  td a:hover,
  .who a:hover {
    background: color-mix(in srgb, var(--mark) 20%, transparent);
  }
  .held {
    font-size: 1.35rem;
    line-height: 1;
  }
  td small {
    grid-column: 1 / -1;
    font-size: 0.78rem;
    line-height: 1;
    color: var(--ink-soft);
  }
  td small.has {
    color: var(--ink);
    font-weight: 700;
  }
  .key {
    margin-top: 0.7rem;
    font-size: 0.92rem;
  }
</style>
