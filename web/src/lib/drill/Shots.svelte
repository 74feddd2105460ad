<script lang="ts">
  import Scrolls from '$lib/parts/Scrolls.svelte';
  import { onMount } from 'svelte';
  import Toggle from 'flowbite-svelte/Toggle.svelte';
  import Table from 'flowbite-svelte/Table.svelte';
  import TableBody from 'flowbite-svelte/TableBody.svelte';
  import TableBodyCell from 'flowbite-svelte/TableBodyCell.svelte';
  import TableBodyRow from 'flowbite-svelte/TableBodyRow.svelte';
  import TableHead from 'flowbite-svelte/TableHead.svelte';
  import TableHeadCell from 'flowbite-svelte/TableHeadCell.svelte';
  import { api, ask, type Schemas } from '$lib/api/client';
  import { notices } from '$lib/state/notices.svelte';
  import { session } from '$lib/state/session.svelte';
  import { monthDayOf } from '$lib/state/teamclock';

  // How everybody shoots in a drill that teaches no read: in all, best, and lately.
  let {
    team,
    drill,
    jersey,
    name,
    alone
  }: {
    team: string;
    drill: string;
    jersey: (id: string) => string;
    name: (id: string) => string;
    alone: boolean;
  } = $props();

  let shots = $state.raw<Schemas['DrillShots'] | null>(null);
  let problem = $state('');

  async function load() {
    try {
      const path = { teamId: team, drillId: drill };
      shots = await ask(api.GET('/api/teams/{teamId}/shots/{drillId}', { params: { path } }));
      given = shots.atHome;
    } catch (e) {
      problem = e instanceof Error ? e.message : String(e);
    }
  }
  onMount(load);

  /** For home or not, as it is shown; the server has the last word. */
  let given = $state(false);
  async function give() {
    try {
      await ask(
        api.PUT('/api/teams/{teamId}/home', {
          params: { path: { teamId: team } },
          body: { drill, given }
        })
      );
      notices.say(
        given ? 'Players see it through their private links now.' : 'Players do not see it any more.'
      );
    } catch (e) {
      notices.fail(e);
    }
    await load();
  }

  const percent = (share: number) => Math.round(100 * share);
</script>

<section aria-label="Makes">
  <h2 class="text-lg">Makes</h2>
  {#if problem}
    <p role="alert">{problem}</p>
  {:else if !shots}
    <p class="soft" role="status">Loading makes…</p>
  {:else if shots.tried === 0}
    <p class="soft">No shots logged yet. Run it in a practice: each shot is one tap, made or missed.</p>
  {:else}
    <p>
      Team: <b class="numeral">{shots.made}</b> of <b class="numeral">{shots.tried}</b>,
      {percent(shots.made / shots.tried)}%
    </p>
    <Scrolls label="Makes by player" class="mt-2">
      <Table class="w-full [&_td]:py-1 [&_td]:pr-4 [&_th]:pr-4 [&_th]:text-left" aria-label="Makes by player">
        <TableHead>
          <TableHeadCell>Player</TableHeadCell><TableHeadCell>Made</TableHeadCell><TableHeadCell
            >Likely range</TableHeadCell
          ><TableHeadCell>Best</TableHeadCell><TableHeadCell>Last five practices</TableHeadCell>
        </TableHead>
        <TableBody>
          {#each shots.players as p (p.player)}
            <TableBodyRow>
              <TableBodyCell><b class="numeral">{jersey(p.player)}</b> {name(p.player)}</TableBodyCell>
              <TableBodyCell class="numeral">{p.made} of {p.tried}</TableBodyCell>
              <TableBodyCell>{percent(p.range.low)} to {percent(p.range.high)}%</TableBodyCell>
              <TableBodyCell>
                <span class="numeral">{p.best.made} of {p.best.tried}</span>, {p.best.streak} in a row, {monthDayOf(
                  p.best.at
                )}
              </TableBodyCell>
              <TableBodyCell class="numeral"
                >{p.last.map((s) => `${s.made}/${s.tried}`).join('  ')}</TableBodyCell
              >
            </TableBodyRow>
          {/each}
        </TableBody>
      </Table>
    </Scrolls>
  {/if}
  {#if alone && shots}
    <div class="no-print mt-3">
      <Toggle class="min-h-12 text-base" bind:checked={given} disabled={!session.coach} onchange={give}
        >Give it for home: players see it by their private links</Toggle
      >
    </div>
    {#if shots.home.length}
      <h3 class="mt-2 font-bold">At home, as players tell it</h3>
      <Table class="w-full [&_td]:py-1 [&_td]:pr-4 [&_th]:pr-4 [&_th]:text-left" aria-label="Makes at home">
        <TableHead
          ><TableHeadCell>Player</TableHeadCell><TableHeadCell>Times</TableHeadCell><TableHeadCell
            >Right</TableHeadCell
          ><TableHeadCell>Left</TableHeadCell><TableHeadCell>Last</TableHeadCell></TableHead
        >
        <TableBody>
          {#each shots.home as h (h.player)}
            <TableBodyRow>
              <TableBodyCell><b class="numeral">{jersey(h.player)}</b> {name(h.player)}</TableBodyCell>
              <TableBodyCell class="numeral">{h.times}</TableBodyCell>
              <TableBodyCell class="numeral">{h.right.made} of {h.right.tried}</TableBodyCell>
              <TableBodyCell class="numeral">{h.left.made} of {h.left.tried}</TableBodyCell>
              <TableBodyCell>{monthDayOf(h.last.at)}</TableBodyCell>
            </TableBodyRow>
          {/each}
        </TableBody>
      </Table>
    {/if}
  {/if}
</section>
