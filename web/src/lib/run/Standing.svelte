<script lang="ts">
  import Table from 'flowbite-svelte/Table.svelte';
  import TableBody from 'flowbite-svelte/TableBody.svelte';
  import TableBodyCell from 'flowbite-svelte/TableBodyCell.svelte';
  import TableBodyRow from 'flowbite-svelte/TableBodyRow.svelte';
  import TableHead from 'flowbite-svelte/TableHead.svelte';
  import TableHeadCell from 'flowbite-svelte/TableHeadCell.svelte';
  import { api, ask, type Schemas } from '$lib/api/client';
  import Panel from '$lib/parts/Panel.svelte';
  import type { Floor } from './floor.svelte';
  import Button from '$lib/ui/Button.svelte';

  // How a live block stands: possessions, points by player, and counts to put right.
  let {
    open = $bindable(false),
    floor,
    tallies
  }: { open: boolean; floor: Floor; tallies: Schemas['TallyInfo'][] } = $props();

  let score = $state.raw<Schemas['BlockScore'] | null>(null);
  let problem = $state('');
  const name = (id: string) => floor.players.get(id)?.name ?? '';

  let asked = 0;

  async function load(blockId: string) {
    const turn = ++asked;
    try {
      const answer = await ask(
        api.GET('/api/teams/{teamId}/practices/{practiceId}/blocks/{blockId}/score', {
          params: { path: { ...floor.path, blockId } }
        })
      );
      if (turn !== asked) return;
      score = answer;
      problem = '';
    } catch (e) {
      if (turn === asked) problem = e instanceof Error ? e.message : String(e);
    }
  }

  // Ask for the score again after every count, here or on another device, once all of ours are sent.
  $effect(() => {
    const blockId = floor.line.current?.block.id;
    if (blockId && floor.tallies.size >= 0 && floor.queue.waiting === 0) void load(blockId);
  });
</script>

<Panel bind:open title="Score">
  {#if problem}
    <p role="alert">{problem} What you tapped is kept.</p>
  {:else if score}
    <p class="text-xl">{score.says}</p>
    {#if score.target}
      <p>
        {score.target} points win.
        {#if score.reached.length}<b>{score.reached.map(name).join(', ')}</b> got there.{/if}
      </p>
    {/if}
    {#if score.players.length}
      <Table class="my-3 w-full">
        <TableHead>
          <TableHeadCell>Player</TableHeadCell><TableHeadCell>Points</TableHeadCell><TableHeadCell
            >Possessions</TableHeadCell
          >
        </TableHead>
        <TableBody>
          {#each score.players as p (p.player)}
            <TableBodyRow>
              <TableBodyCell>{name(p.player)}</TableBodyCell>
              <TableBodyCell class="numeral text-xl">{p.points}</TableBodyCell>
              <TableBodyCell class="numeral">{p.of}</TableBodyCell>
            </TableBodyRow>
          {/each}
        </TableBody>
      </Table>
    {/if}
  {:else}
    <p role="status">Counting…</p>
  {/if}
  <h3 class="mt-4 mb-1 text-lg font-bold">Counted</h3>
  <ul class="quiet-list grid gap-x-8 sm:grid-cols-2">
    {#each tallies as t (t.id)}
      <li class="flex items-center justify-between gap-3 border-b border-(--seam) py-1">
        <span>{t.name} <b class="numeral">{floor.tallies.of(t.id)}</b></span>
        <Button
          class="px-3!"
          disabled={floor.tallies.of(t.id) === 0}
          aria-label={`One ${t.name.toLowerCase()} less`}
          onclick={() => floor.tallies.add(t.id, -1)}>One less</Button
        >
      </li>
    {/each}
  </ul>
</Panel>
