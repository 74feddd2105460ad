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
  import Button from '$lib/ui/Button.svelte';
  import Note from '$lib/ui/Note.svelte';

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
  {#if session.coach}<Button href={`/${team}/squad/links`}>Player links</Button>{/if}
  <Button href={`/${team}/squad/program`}>All teams</Button>
  <Button onclick={() => (editing = !editing)}>{editing ? 'Back to the board' : 'Edit the roster'}</Button>
</div>

{#if !board && data.problem}
  <Note>{data.problem}</Note>
{:else if board && editing}
  <RosterEditor {team} players={board.players} onchange={reread} />
{:else if !board || rereading > 0}
  <p role="status" class="soft">Loading the board…</p>
{:else}
  <BoardFilters filters={data.filters} />
  {#if data.problem}<Note>{data.problem}</Note>{/if}
  {#if narrowed(data.filters)}
    <p class="soft flex items-center gap-3 mb-2">
      <span>Judged on <b class="numeral">{board.reps}</b> reps.</span>
      <Button onclick={() => goto(addressOf(everything(data.filters)))}>Show the whole record</Button>
    </p>
  {/if}
  {#if !narrowed(data.filters)}<WorkOn {board} {team} />{/if}
  <SeasonLine weeks={board.season} />
  <div class="scroll sheet overflow-auto [&.tall]:max-h-[calc(100dvh_-_1.5rem)]" class:tall={dense}>
    <table class="border-collapse w-full" class:dense>
      <thead>
        <tr>
          <th
            scope="col"
            class="top-0 p-2 border-b-3 border-b-ink text-left sticky left-0 bg-sheet min-w-38 z-2 [.dense_&]:py-1 [.dense_&]:px-0 [.dense_&]:align-bottom [.dense_&]:min-w-[7.6rem] [.dense_&]:pl-2"
            >Player</th
          >
          {#each shown.columns as c (c)}
            <th
              class="sticky top-0 bg-sheet text-left p-2 border-b-3 border-b-ink z-1 [.dense_&]:py-1 [.dense_&]:px-0 [.dense_&]:align-bottom"
              scope="col"
              ><a
                class="read min-h-12 no-underline flex items-center gap-2 text-sm whitespace-nowrap [.dense_&]:flex-col-reverse [.dense_&]:gap-1 [.dense_&]:text-sm [.dense_&]:items-center [.dense_&]:font-normal"
                href={`/${team}/squad/read/${c}`}
                title={session.readName(c)}
                ><ReadGlyph read={c} size={dense ? 28 : 38} /><span
                  class="[.dense_&]:[writing-mode:vertical-rl] [.dense_&]:[transform:rotate(180deg)] [.dense_&]:max-h-[8.4rem] [.dense_&]:overflow-hidden"
                  >{session.readName(c)}</span
                ></a
              ></th
            >
          {/each}
        </tr>
      </thead>
      <tbody>
        {#each shown.lines as { player: p, cells } (p.id)}
          <tr class="border-t border-t-seam">
            <th scope="row" class="text-left sticky left-0 bg-sheet min-w-38 [.dense_&]:min-w-[7.6rem]">
              <a
                class="flex items-center gap-2 min-h-12 pl-2 no-underline font-bold leading-[1.1] [.dense_&]:pl-1 [.dense_&]:min-h-10 [.dense_&]:gap-2 [.dense_&]:text-sm hover:bg-mark/20"
                href={`/${team}/squad/${p.id}`}
              >
                <span class="numeral jersey text-xl min-w-[1.7rem] text-right [.dense_&]:text-lg"
                  >{p.jersey}</span
                >
                <span
                  >{p.name}{#if !dense}<small class="soft block font-normal">{tendency(p)}</small>{/if}</span
                >
              </a>
            </th>
            {#each cells as cell (cell.read)}
              {@const j = cell.judgement}
              <td
                class="min-w-38 p-0 [.dense_&]:min-w-[34px]"
                title={[j.sentence, cell.gap, cell.does, cell.game].filter(Boolean).join(' ')}
              >
                <a
                  class="relative grid grid-cols-[84px_1fr] items-center gap-y-0 gap-x-2 py-1 px-2 no-underline min-h-12 [.dense_&]:block [.dense_&]:py-0 [.dense_&]:px-px [.dense_&]:min-h-10 hover:bg-mark/20"
                  href={`/${team}/squad/${p.id}?read=${cell.read}`}
                >
                  <span class="visually-hidden"
                    >{p.name}, {session.readName(cell.read)}: {verdictName(j.verdict)}{cell.held
                      ? `, holds rung ${cell.held}`
                      : ''}</span
                  >
                  {#if dense}
                    <DenseCell standing={cell} />
                  {:else}
                    <IntervalCell standing={cell} />
                    <span class="numeral held text-lg leading-none">{cell.held || ''}</span>
                    <small
                      class={[
                        j.verdict,
                        'col-span-full whitespace-nowrap text-xs leading-none text-soft [&.has]:text-ink [&.has]:font-bold'
                      ]}
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
  <p class="soft mt-3 text-sm">
    The bar is where the true rate lies, the upright line is the target, the numeral the highest rung held.
    Solid: has it. Hollow: not yet. Gray: too close to call. Thin: not enough reps. Dotted: had it.
    {#if dense}▾: something differs, left and right, guided and live, or practice and games. A dot: no reps.
    {:else}New: the last practice alone has made it so. ◂▸: left and right differ. ▾: guided and live, or
      practice and games, differ.{/if} Tap a cell to see why, a read for everything about it.
    <a href={`/api/teams/${team}/evidence?what=verdicts`} download>Verdicts as CSV</a>,
    <a href={`/api/teams/${team}/evidence?what=reps`} download>every rep as CSV</a>.
  </p>
  {#if data.agreement.length > 0}
    <section class="mt-4 grid gap-2" aria-label="Do two of us see the same?">
      <h2>Do two of us see the same?</h2>
      {#each data.agreement as a (a.first + a.second)}
        <AgreementNote agreement={a} />
      {/each}
    </section>
  {/if}
{/if}
