<script lang="ts">
  import Label from 'flowbite-svelte/Label.svelte';
  import Progressbar from 'flowbite-svelte/Progressbar.svelte';
  import Select from 'flowbite-svelte/Select.svelte';
  import { page } from '$app/state';
  import Table from 'flowbite-svelte/Table.svelte';
  import TableBody from 'flowbite-svelte/TableBody.svelte';
  import TableBodyCell from 'flowbite-svelte/TableBodyCell.svelte';
  import TableBodyRow from 'flowbite-svelte/TableBodyRow.svelte';
  import { Comparison } from './comparison.svelte';
  import type { OffenseLab } from './lab.svelte';
  import Opponent from './Opponent.svelte';
  import Result from './Result.svelte';
  import Button from '$lib/ui/Button.svelte';
  import Note from '$lib/ui/Note.svelte';
  import Fold from '$lib/ui/Fold.svelte';

  // Two offenses by the same five on the same luck.
  let { lab }: { lab: OffenseLab } = $props();

  const team = $derived(page.params.team ?? '');
  const comparison = $derived(new Comparison(team, lab));
  const others = $derived([
    ...(lab.draft.chosen === 'own' || !lab.view.chosen ? [] : [lab.view.own]),
    ...lab.view.offenses.filter((o) => o.id !== lab.draft.chosen)
  ]);
  let other = $state('');
  const rival = $derived(others.find((o) => o.id === other) ?? others[0]);
  const points = (share: number) => `${share > 0 ? '+' : ''}${(100 * share).toFixed(1)}`;
  const percent = (share: number) => Math.round(100 * share);
</script>

<div class="grid gap-3">
  <Label>
    {lab.offense.name} and
    <Select
      placeholder=""
      items={others.map((o) => ({ value: o.id, name: o.name }))}
      value={rival?.id ?? ''}
      onchange={(e) => (other = e.currentTarget.value)}
    />
  </Label>
  <Opponent {lab} />
  {#if comparison.busy}
    <div class="flex items-center gap-3">
      <div class="grow" role="status" aria-label={`Playing both offenses, ${percent(comparison.done)}%`}>
        <Progressbar progress={percent(comparison.done)} animate={false} size="h-3" />
        <span class="text-[15px]">Playing both offenses…</span>
      </div>
      <Button onclick={() => comparison.cancel()}>Cancel</Button>
    </div>
  {:else}
    <p>
      <Button
        main
        disabled={!rival || Boolean(lab.draft.check?.problem)}
        onclick={() => rival && comparison.play(rival)}>Compare them</Button
      >
    </p>
  {/if}
  {#if comparison.problem}<Note>{comparison.problem}</Note>{/if}
</div>
{#if comparison.result}
  <Result {lab} result={comparison.result} names={comparison.names} />
{/if}
<p class="mt-4 border-l-4 border-(--mark) pl-3">{lab.view.purpose}</p>
<Fold line="text-[15px]"
  >{#snippet title()}<span>What it assumes</span>{/snippet}
  <ul class="list-[square] pl-5 text-[15px]">
    {#each lab.view.assumptions as a (a)}<li>{a}</li>{/each}
  </ul>
  <h3 class="mt-3 font-bold">What the result depends on</h3>
  <p class="text-[15px]">
    Points of possessions with an open look, with a quarter less and a quarter more of each. A difference
    between two offenses moves less.
  </p>
  <Table class="w-full text-[15px]" aria-label="What the result depends on">
    <TableBody>
      {#each lab.view.effects as e (e.name)}
        <TableBodyRow class="border-(--seam)">
          <TableBodyCell>{e.name}</TableBodyCell>
          <TableBodyCell class="numeral text-right whitespace-nowrap"
            >{points(e.less)}, {points(e.more)}</TableBodyCell
          >
        </TableBodyRow>
      {/each}
    </TableBody>
  </Table>
</Fold>
