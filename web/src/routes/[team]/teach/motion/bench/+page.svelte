<script lang="ts">
  import { page } from '$app/state';
  import Table from 'flowbite-svelte/Table.svelte';
  import TableBody from 'flowbite-svelte/TableBody.svelte';
  import TableBodyCell from 'flowbite-svelte/TableBodyCell.svelte';
  import TableBodyRow from 'flowbite-svelte/TableBodyRow.svelte';
  import TableHead from 'flowbite-svelte/TableHead.svelte';
  import TableHeadCell from 'flowbite-svelte/TableHeadCell.svelte';
  import CueGlyph from '$lib/parts/CueGlyph.svelte';
  import { session } from '$lib/state/session.svelte';
  import type { PageProps } from './$types';
  import Button from '$lib/ui/Button.svelte';

  // What an offense does when something is taken away, on one sheet for the bench.
  let { data }: PageProps = $props();

  /** How many further answers a line holds. */
  const further = 2;
</script>

<svelte:head><title>{data.offense.name}: when they take it away · Evrik</title></svelte:head>

<div class="mb-4 flex flex-wrap items-center gap-3">
  <h1 class="mr-auto">{data.offense.name}: when they take it away</h1>
  <Button main onclick={() => print()}>Print</Button>
  <Button href={`/${page.params.team}/teach/motion`}>To the offense</Button>
</div>
<div class="gap-x-8 md:columns-2 print:columns-2 print:text-sm">
  {#each data.tables as t (t.id)}
    <section class="mb-5 break-inside-avoid" aria-label={session.actionName(t.id)}>
      <h2 class="border-b-2 border-(--ink) text-lg">{session.actionName(t.id)}</h2>
      <Table class="w-full [&_td]:py-1 [&_td]:align-top [&_th]:text-left">
        <TableHead class="visually-hidden"
          ><TableHeadCell>They</TableHeadCell><TableHeadCell>We</TableHeadCell></TableHead
        >
        <TableBody>
          {#each t.rows as r (r.cue)}
            <TableBodyRow class="border-(--seam)">
              <TableBodyCell class="w-36 font-bold">
                <span class="flex items-center gap-2"
                  ><CueGlyph cue={r.cue} size={24} />{session.cueName(r.cue)}</span
                >
              </TableBodyCell>
              <TableBodyCell>
                <b>{session.readName(r.cutterRead)}</b
                >{#each r.cutter.slice(1, further + 1) as a (a.read + a.secondCue.id)}; {session
                    .readName(a.read)
                    .toLowerCase()}{a.secondCue.if ? ` if ${a.secondCue.if}` : ''}{/each}.
                <span class="soft">{session.readName(r.screenerRead)} beside it.</span>
              </TableBodyCell>
            </TableBodyRow>
          {/each}
        </TableBody>
      </Table>
    </section>
  {:else}
    <p class="soft">This offense goes on with cuts alone: read the principles instead.</p>
  {/each}
</div>
