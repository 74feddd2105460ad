<script lang="ts">
  import Scrolls from '$lib/parts/Scrolls.svelte';
  import Table from 'flowbite-svelte/Table.svelte';
  import TableBody from 'flowbite-svelte/TableBody.svelte';
  import TableBodyCell from 'flowbite-svelte/TableBodyCell.svelte';
  import TableBodyRow from 'flowbite-svelte/TableBodyRow.svelte';
  import TableHead from 'flowbite-svelte/TableHead.svelte';
  import TableHeadCell from 'flowbite-svelte/TableHeadCell.svelte';
  import type { Schemas } from '$lib/api/client';
  import Fold from '$lib/ui/Fold.svelte';

  // What every player gets out of an order list.
  let {
    order,
    own,
    jersey,
    name,
    defended
  }: {
    order: Schemas['Order'];
    own: Schemas['Position'][];
    jersey: (id: string) => string;
    name: (id: string) => string;
    defended: boolean;
  } = $props();
</script>

<Fold class="print:hidden"
  >{#snippet title()}<span
      >Counts per player: they differ by <b class="numeral">{order.spread}</b> at most in a position</span
    >{/snippet}
  <Scrolls label="Counts per player">
    <Table class="border-collapse w-full">
      <TableHead>
        <TableHeadCell class="py-[0.15rem] px-2">Player</TableHeadCell>
        <TableHeadCell class="py-[0.15rem] px-2">{own[0]?.name}</TableHeadCell>
        {#if own.length > 1}<TableHeadCell class="py-[0.15rem] px-2">{own[1]?.name}</TableHeadCell>{/if}
        {#if own.length > 2}<TableHeadCell class="py-[0.15rem] px-2">Other places</TableHeadCell>{/if}
        {#if defended}<TableHeadCell class="py-[0.15rem] px-2">Defends</TableHeadCell>{/if}
        <TableHeadCell class="py-[0.15rem] px-2">Right</TableHeadCell><TableHeadCell class="py-[0.15rem] px-2"
          >Left</TableHeadCell
        ><TableHeadCell class="py-[0.15rem] px-2">Partners</TableHeadCell><TableHeadCell
          class="py-[0.15rem] px-2">Touches</TableHeadCell
        ><TableHeadCell class="py-[0.15rem] px-2">Sprints</TableHeadCell><TableHeadCell
          class="py-[0.15rem] px-2">Jumps</TableHeadCell
        >
      </TableHead>
      <TableBody>
        {#each order.counts as c (c.player)}
          <TableBodyRow>
            <TableHeadCell class="py-[0.15rem] px-2" scope="row"
              ><span class="numeral">{jersey(c.player)}</span> {name(c.player)}</TableHeadCell
            >
            <TableBodyCell class="py-[0.15rem] px-2 font-numeral text-base">{c.cutter}</TableBodyCell>
            {#if own.length > 1}<TableBodyCell class="py-[0.15rem] px-2 font-numeral text-base"
                >{c.screener}</TableBodyCell
              >{/if}
            {#if own.length > 2}<TableBodyCell class="py-[0.15rem] px-2 font-numeral text-base"
                >{c.others}</TableBodyCell
              >{/if}
            {#if defended}<TableBodyCell class="py-[0.15rem] px-2 font-numeral text-base"
                >{c.defense}</TableBodyCell
              >{/if}
            <TableBodyCell class="py-[0.15rem] px-2 font-numeral text-base">{c.right}</TableBodyCell
            ><TableBodyCell class="py-[0.15rem] px-2 font-numeral text-base">{c.left}</TableBodyCell
            ><TableBodyCell class="py-[0.15rem] px-2 font-numeral text-base">{c.partners}</TableBodyCell
            ><TableBodyCell class="py-[0.15rem] px-2 font-numeral text-base">{c.touches}</TableBodyCell
            ><TableBodyCell class="py-[0.15rem] px-2 font-numeral text-base">{c.sprints}</TableBodyCell
            ><TableBodyCell class="py-[0.15rem] px-2 font-numeral text-base">{c.jumps}</TableBodyCell>
          </TableBodyRow>
        {/each}
      </TableBody>
    </Table>
  </Scrolls>
</Fold>
