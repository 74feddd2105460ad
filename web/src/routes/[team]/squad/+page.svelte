<script lang="ts">
  import { goto, invalidateAll } from '$app/navigation';
  import { page } from '$app/state';
  import type { Schemas } from '$lib/api/client';
  import { session } from '$lib/state/session.svelte';
  import IntervalCell from '$lib/parts/IntervalCell.svelte';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import AgreementNote from '$lib/squad/AgreementNote.svelte';
  import BoardFilters from '$lib/squad/BoardFilters.svelte';
  import DenseCell from '$lib/squad/DenseCell.svelte';
  import WorkOn from '$lib/squad/WorkOn.svelte';
  import { addressOf, everything, inOrder, narrowed } from '$lib/squad/board';
  import SeasonLine from '$lib/squad/SeasonLine.svelte';
  import RosterEditor from '$lib/squad/RosterEditor.svelte';
  import { verdictName } from '$lib/parts/verdicts';

  let { data } = $props();

  const team = page.params.team ?? '';
  // What was shown stays while something that cannot be is asked for.
  let last = $state.raw<Schemas['Board'] | null>(null);
  $effect(() => {
    if (data.board) last = data.board;
    if (data.board?.players.length === 0) editing = true;
  });
  const board = $derived(data.board ?? last);
  const shown = $derived(board ? inOrder(board, data.filters.order) : { columns: [], lines: [] });
  let editing = $state(false);
  // More columns than fit beside each other get the narrow cell.
  const wide = 9;
  const dense = $derived(shown.columns.length > wide);

  // The board of before a change of the roster is not shown again: somebody may be erased.
  let rereading = $state(0);
  async function reread() {
    rereading++;
    last = null;
    try {
      await invalidateAll();
    } finally {
      rereading--;
    }
  }

  const tendency = (p: Schemas['Player']) =>
    [p.handler && 'handler', p.wing && 'wing', p.big && 'big', p.shooter && 'shooter']
      .filter(Boolean)
      .join(', ');
</script>

<div class="page-head">
  <h1>Squad</h1>
  <span class="grow"></span>
  <a class="tape plain" href={`/${team}/squad/program`}>All teams</a>
  <button class="tape plain" onclick={() => (editing = !editing)}
    >{editing ? 'Back to the board' : 'Edit the roster'}</button
  >
</div>

{#if !board && data.problem}
  <p role="alert" class="problem">{data.problem}</p>
{:else if board && editing}
  <RosterEditor {team} players={board.players} onchange={reread} />
{:else if !board || rereading > 0}
  <p role="status" class="soft">Loading the board…</p>
{:else}
  <BoardFilters filters={data.filters} />
  {#if data.problem}<p role="alert" class="problem">{data.problem}</p>{/if}
  {#if narrowed(data.filters)}
    <p class="soft narrow">
      <span>Judged on <b class="numeral">{board.reps}</b> reps.</span>
      <button class="tape plain" onclick={() => goto(addressOf(everything(data.filters)))}
        >Show the whole record</button
      >
    </p>
  {/if}
  {#if !narrowed(data.filters)}<WorkOn {board} {team} />{/if}
  <SeasonLine weeks={board.season} />
  <div class="scroll sheet" class:tall={dense}>
    <table class:dense>
      <thead>
        <tr>
          <th scope="col" class="who">Player</th>
          {#each shown.columns as c (c)}
            <th scope="col"
              ><a class="read" href={`/${team}/squad/read/${c}`} title={session.readName(c)}
                ><ReadGlyph read={c} size={dense ? 28 : 38} /><span>{session.readName(c)}</span></a
              ></th
            >
          {/each}
        </tr>
      </thead>
      <tbody>
        {#each shown.lines as { player: p, cells } (p.id)}
          <tr>
            <th scope="row" class="who">
              <a href={`/${team}/squad/${p.id}`}>
                <span class="numeral jersey">{p.jersey}</span>
                <span
                  >{p.name}{#if !dense}<small class="soft">{tendency(p)}</small>{/if}</span
                >
              </a>
            </th>
            {#each cells as cell (cell.read)}
              {@const j = cell.judgement}
              <td title={[j.sentence, cell.gap, cell.does, cell.game].filter(Boolean).join(' ')}>
                <a class="relative" href={`/${team}/squad/${p.id}?read=${cell.read}`}>
                  <span class="visually-hidden"
                    >{p.name}, {session.readName(cell.read)}: {verdictName(j.verdict)}{cell.held
                      ? `, holds rung ${cell.held}`
                      : ''}</span
                  >
                  {#if dense}
                    <DenseCell standing={cell} />
                  {:else}
                    <IntervalCell standing={cell} />
                    <span class="numeral held">{cell.held || ''}</span>
                    <small class={j.verdict}
                      >{j.short}{j.new ? ', new' : ''}{cell.gap ? ' ◂▸' : ''}{cell.does || cell.game
                        ? ' ▾'
                        : ''}</small
                    >
                  {/if}
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
    Solid: has it. Hollow: not yet. Gray: too close to call. Thin: not enough reps. Dotted: had it.
    {#if dense}▾: something differs, left and right, guided and live, or practice and games. A dot: no reps.
    {:else}New: the last practice alone has made it so. ◂▸: left and right differ. ▾: guided and live, or
      practice and games, differ.{/if} Tap a cell to see why, a read for everything about it.
    <a href={`/api/teams/${team}/evidence?what=verdicts`} download>Verdicts as CSV</a>,
    <a href={`/api/teams/${team}/evidence?what=reps`} download>every rep as CSV</a>.
  </p>
  {#if data.agreement.length > 0}
    <section class="agreement" aria-label="Do two of us see the same?">
      <h2>Do two of us see the same?</h2>
      {#each data.agreement as a (a.first + a.second)}
        <AgreementNote agreement={a} />
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
  .narrow {
    display: flex;
    align-items: center;
    gap: 0.8rem;
    margin-bottom: 0.6rem;
  }
  .dense thead .who {
    padding-left: 0.5rem;
  }
  .dense td {
    min-width: 34px;
  }
  .dense thead th {
    padding: 0.3rem 0;
    vertical-align: bottom;
  }
  .dense .read {
    flex-direction: column-reverse;
    gap: 0.3rem;
    font-size: 0.88rem;
    align-items: center;
    font-weight: 400;
  }
  .dense .read span {
    writing-mode: vertical-rl;
    transform: rotate(180deg);
    max-height: 8.4rem;
    overflow: hidden;
  }
  .dense .who {
    min-width: 7.6rem;
  }
  .dense .who a {
    padding-left: 0.3rem;
    min-height: 40px;
    gap: 0.4rem;
    font-size: 0.95rem;
  }
  .dense .jersey {
    font-size: 1.25rem;
  }
  .dense td a {
    display: block;
    padding: 0 1px;
    min-height: 40px;
  }
  .scroll {
    overflow: auto;
  }
  /* A long board scrolls in itself, so that reads and names stay in sight. */
  .tall {
    max-height: calc(100dvh - 1.5rem);
  }
  thead .who {
    z-index: 2;
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
    grid-template-columns: 84px 1fr;
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
    white-space: nowrap;
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
