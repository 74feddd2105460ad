<script lang="ts">
  import Scrolls from '$lib/parts/Scrolls.svelte';
  import { page } from '$app/state';
  import Table from 'flowbite-svelte/Table.svelte';
  import TableBody from 'flowbite-svelte/TableBody.svelte';
  import TableBodyCell from 'flowbite-svelte/TableBodyCell.svelte';
  import TableBodyRow from 'flowbite-svelte/TableBodyRow.svelte';
  import TableHead from 'flowbite-svelte/TableHead.svelte';
  import TableHeadCell from 'flowbite-svelte/TableHeadCell.svelte';
  import { session } from '$lib/state/session.svelte';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import Button from '$lib/ui/Button.svelte';

  let { data } = $props();
  // The same reads over all teams and seasons of the program.
  const team = page.params.team ?? '';
  const program = $derived(data.program);
  let part = $state('cutter');

  const roles = $derived([...new Set(program.columns.map((c) => session.read(c)?.role ?? ''))]);
  const shown = $derived(
    program.columns.map((c, i) => ({ c, i })).filter(({ c }) => session.read(c)?.role === part)
  );
  const per = (n: number, of: number) => `${of > 0 ? (100 * n) / of : 0}%`;
</script>

<div class="page-head">
  <h1>{program.name ?? 'All teams'}</h1>
  <div role="radiogroup" aria-label="Reads of">
    {#each roles as r (r)}
      <Button
        class="-ml-[-2px] rounded-none"
        role="radio"
        aria-checked={part === r}
        onclick={() => (part = r)}>As {r}</Button
      >
    {/each}
  </div>
  <span class="grow"></span>
  <Button href={`/${team}/squad`}>Open the squad</Button>
</div>

<Scrolls label="Reads by team" class="sheet">
  <Table class="w-full border-collapse">
    <TableHead>
      <TableHeadCell class="ps-4 border-b-3 border-b-ink" scope="col">Read</TableHeadCell>
      {#each program.teams as t (t.id)}
        <TableHeadCell class="px-4 border-b-3 border-b-ink" scope="col"
          ><a class="no-underline block min-h-12" href={`/${t.id}/squad`}
            ><b>{t.name}</b> <span class="soft">{t.season}</span><small class="soft block"
              ><span class="numeral">{t.players}</span> players,
              <span class="numeral">{t.reps.toLocaleString()}</span> reps</small
            ></a
          ></TableHeadCell
        >
      {/each}
    </TableHead>
    <TableBody>
      {#each shown as { c, i } (c)}
        <TableBodyRow>
          <TableHeadCell class="ps-4" scope="row"
            ><span class="inline-flex items-center gap-2 whitespace-nowrap"
              ><ReadGlyph read={c} size={34} />{session.readName(c)}</span
            ></TableHeadCell
          >
          {#each program.teams as t (t.id)}
            {@const cell = t.cells[i]}
            <TableBodyCell class="py-0 px-4">
              {#if cell && t.players > 0}
                <a
                  class="relative grid grid-cols-[1.6rem_minmax(6rem,_1fr)_3.2rem] gap-3 items-center min-h-12 no-underline hover:bg-mark/20"
                  href={`/${t.id}/squad/read/${c}`}
                >
                  <span class="visually-hidden"
                    >{t.name}, {session.readName(c)}: {cell.has} of {t.players} have it</span
                  >
                  <span class="numeral rung text-xl text-right">{cell.rung || '–'}</span>
                  <span class="flex h-4 border-2 border-ink bg-sheet" aria-hidden="true">
                    <span class="bg-(--tape-green)" style:width={per(cell.has, t.players)}></span>
                    <span
                      class="[background:repeating-linear-gradient(90deg,_var(--tape-violet)_0_3px,_transparent_3px_7px)]"
                      style:width={per(cell.lapsed, t.players)}
                    ></span>
                    <span
                      class="[background:color-mix(in_srgb,_var(--line)_45%,_var(--sheet))]"
                      style:width={per(cell.tooClose, t.players)}
                    ></span>
                    <span class="bg-floor" style:width={per(cell.notEnough, t.players)}></span>
                    <span style:width={per(cell.notYet, t.players)}></span>
                  </span>
                  <span class="numeral">{cell.has}<span class="soft">/{t.players}</span></span>
                </a>
              {:else}<span class="soft">no players</span>{/if}
            </TableBodyCell>
          {/each}
        </TableBodyRow>
      {/each}
    </TableBody>
  </Table>
</Scrolls>
<p class="soft mt-3 text-sm">
  The numeral is the highest rung that half of the team holds; the bar is its players: solid have it, dotted
  had it, gray too close to call, pale not enough reps, hollow not yet. A player who moves up takes the record
  along.
</p>
