<script lang="ts">
  import { page } from '$app/state';
  import Table from 'flowbite-svelte/Table.svelte';
  import TableBody from 'flowbite-svelte/TableBody.svelte';
  import TableBodyCell from 'flowbite-svelte/TableBodyCell.svelte';
  import TableBodyRow from 'flowbite-svelte/TableBodyRow.svelte';
  import TableHead from 'flowbite-svelte/TableHead.svelte';
  import TableHeadCell from 'flowbite-svelte/TableHeadCell.svelte';
  import CourtFloor from '$lib/court/CourtFloor.svelte';
  import { sy } from '$lib/court/geometry';
  import Button from '$lib/ui/Button.svelte';

  let { data } = $props();
  // Where the tape goes on the team's floor, as lengths a person can measure.
  const path = { teamId: page.params.team ?? '' };
  const tape = $derived(data.tape);
</script>

<div class="page-head no-print">
  <h1>Tape sheet</h1>
  <Button main onclick={() => print()}>Print</Button>
  <Button href={`/${path.teamId}/teach`}>Back to the lab</Button>
  <Button href={`/${path.teamId}/settings`}>Change the floor</Button>
</div>
<p class="soft">
  Measure square to the baseline, then square to the sideline. Floor: {tape.source}. Measure your own gym
  before you tape.
</p>
<div class="mt-3 grid items-start gap-4 md:grid-cols-[minmax(0,1.2fr)_minmax(22rem,1fr)]">
  <div class="sheet aspect-[52/42] p-2">
    <CourtFloor lines={tape.lines} label="Spots on the floor" top={34}>
      {#each tape.marks as m, i (m.name)}
        {#if m.screen}
          <path class="bar" d={`M${m.at.x - 1.1} ${sy(m.at)}h2.2`} />
          <text x={m.at.x + 1.3} y={sy(m.at) + 0.4}>{i + 1}</text>
        {:else if m.fromSideline}
          <path class="x" d={`M${m.at.x - 0.5} ${sy(m.at) - 0.5}l1 1m0 -1l-1 1`} />
          <text x={m.at.x + 0.8} y={sy(m.at) + 0.4}>{i + 1}</text>
        {:else}
          <path class="across" d={`M${-tape.lines.halfWidth} ${sy(m.at)}H${tape.lines.halfWidth}`} />
        {/if}
      {/each}
    </CourtFloor>
  </div>
  <div class="sheet px-3">
    <Table>
      <TableHead
        ><TableHeadCell></TableHeadCell><TableHeadCell>Spot</TableHeadCell><TableHeadCell
          >From the baseline</TableHeadCell
        ><TableHeadCell>From the sideline</TableHeadCell></TableHead
      >
      <TableBody>
        {#each tape.marks as m, i (m.name)}
          <TableBodyRow>
            <TableBodyCell class={['numeral', m.screen && 'border-l-8 border-l-(--tape-orange) pl-2']}
              >{i + 1}</TableBodyCell
            >
            <TableBodyCell
              >{m.name}{#if m.screen}<span class="soft">: set it here</span>{/if}</TableBodyCell
            >
            <TableBodyCell class="numeral">{m.fromBaseline}</TableBodyCell>
            <TableBodyCell>
              {#if m.fromSideline}<span class="numeral">{m.fromSideline}</span>
                <span class="soft">{m.sideline}</span>
              {:else}<span class="soft">right across</span>{/if}
            </TableBodyCell>
          </TableBodyRow>
        {/each}
      </TableBody>
    </Table>
  </div>
</div>

<style>
  .bar {
    stroke: var(--tape-orange);
    stroke-width: 0.8;
  }
  .x {
    stroke: var(--tape-blue);
    stroke-width: 0.4;
  }
  .across {
    stroke: var(--tape-teal);
    stroke-width: 0.2;
    stroke-dasharray: 0.8 0.6;
  }
  text {
    font-family: var(--font-numeral);
    font-weight: 600;
    font-size: 1.5px;
    fill: var(--ink);
  }
</style>
