<script lang="ts">
  import Scrolls from '$lib/parts/Scrolls.svelte';
  import { onMount } from 'svelte';
  import Table from 'flowbite-svelte/Table.svelte';
  import TableBody from 'flowbite-svelte/TableBody.svelte';
  import TableBodyCell from 'flowbite-svelte/TableBodyCell.svelte';
  import TableBodyRow from 'flowbite-svelte/TableBodyRow.svelte';
  import TableHead from 'flowbite-svelte/TableHead.svelte';
  import TableHeadCell from 'flowbite-svelte/TableHeadCell.svelte';
  import { api, ask, type Schemas } from '$lib/api/client';
  import { session } from '$lib/state/session.svelte';
  import { dayOf } from '$lib/state/teamclock';
  import Curve from './Curve.svelte';
  import Button from '$lib/ui/Button.svelte';
  import Note from '$lib/ui/Note.svelte';

  // A player's season on one read, and every rep behind the verdict.
  let { team, player, read, target }: { team: string; player: string; read: string; target: number } =
    $props();

  let data = $state.raw<Schemas['PlayerRead'] | null>(null);
  let problem = $state('');
  const first = 12;
  let all = $state(false);

  onMount(async () => {
    try {
      data = await ask(
        api.GET('/api/teams/{teamId}/players/{playerId}/reads/{read}', {
          params: { path: { teamId: team, playerId: player, read } }
        })
      );
    } catch (e) {
      problem = e instanceof Error ? e.message : String(e);
    }
  });
</script>

{#if problem}<Note>{problem}</Note>
{:else if !data}<p role="status" class="soft pt-0 pr-4 pb-3 pl-4">Loading reps…</p>
{:else}
  <div
    class="grid grid-cols-[minmax(0,_1fr)_minmax(0,_1.2fr)] gap-4 pt-0 pr-4 pb-4 pl-4 items-start max-sm:grid-cols-[minmax(0,_1fr)]"
  >
    {#if data.curve.length > 1}<div class="line"><Curve points={data.curve} {target} /></div>{/if}
    <Scrolls label="Reps" class="reps">
      <Table class="border-collapse w-full text-sm">
        <TableHead
          ><TableHeadCell>Day</TableHeadCell><TableHeadCell>Rung</TableHeadCell><TableHeadCell
            >Shown</TableHeadCell
          ><TableHeadCell>Made</TableHeadCell></TableHead
        >
        <TableBody>
          {#each all ? data.reps : data.reps.slice(0, first) as rep (rep.id)}
            <TableBodyRow>
              <TableBodyCell class="pt-[0.15rem] pr-2 pb-[0.15rem] whitespace-nowrap"
                >{dayOf(rep.at)}</TableBodyCell
              >
              <TableBodyCell class="numeral pt-[0.15rem] pr-2 pb-[0.15rem] whitespace-nowrap"
                >{session.rung(rep.rung)?.number}</TableBodyCell
              >
              <TableBodyCell class="pt-[0.15rem] pr-2 pb-[0.15rem] whitespace-nowrap"
                >{session.cueName(rep.cue)}{rep.side ? `, ${rep.side}` : ''}</TableBodyCell
              >
              <TableBodyCell class="pt-[0.15rem] pr-2 pb-[0.15rem] whitespace-nowrap"
                >{rep.correct ? '✓' : '✕'} {session.readName(rep.made)}</TableBodyCell
              >
            </TableBodyRow>
          {/each}
        </TableBody>
      </Table>
      {#if data.reps.length > first && !all}
        <Button onclick={() => (all = true)}>All {data.reps.length} reps</Button>
      {/if}
    </Scrolls>
  </div>
{/if}
