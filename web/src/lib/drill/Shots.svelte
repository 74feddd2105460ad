<script lang="ts">
  import { onMount } from 'svelte';
  import { api, ask, type Schemas } from '$lib/api/client';

  // How everybody shoots in a drill that teaches no read: in all, best, and lately.
  let {
    team,
    drill,
    jersey,
    name
  }: { team: string; drill: string; jersey: (id: string) => string; name: (id: string) => string } = $props();

  let shots = $state.raw<Schemas['DrillShots'] | null>(null);
  let problem = $state('');

  onMount(async () => {
    try {
      const path = { teamId: team, drillId: drill };
      shots = await ask(api.GET('/api/teams/{teamId}/shots/{drillId}', { params: { path } }));
    } catch (e) {
      problem = e instanceof Error ? e.message : String(e);
    }
  });

  const percent = (share: number) => Math.round(100 * share);
  const day = (at: string) => new Date(at).toLocaleDateString('en-US', { month: 'short', day: 'numeric' });
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
      {percent(shots.made / shots.tried)} %
    </p>
    <div class="mt-2 overflow-x-auto">
      <table class="w-full [&_td]:py-1 [&_td]:pr-4 [&_th]:pr-4 [&_th]:text-left" aria-label="Makes by player">
        <thead>
          <tr><th>Player</th><th>Made</th><th>Likely range</th><th>Best</th><th>Last five practices</th></tr>
        </thead>
        <tbody>
          {#each shots.players as p (p.player)}
            <tr>
              <td><b class="numeral">{jersey(p.player)}</b> {name(p.player)}</td>
              <td class="numeral">{p.made} of {p.tried}</td>
              <td>{percent(p.range.low)} to {percent(p.range.high)} %</td>
              <td>
                <span class="numeral">{p.best.made} of {p.best.tried}</span>, {p.best.streak} in a row, {day(
                  p.best.at
                )}
              </td>
              <td class="numeral">{p.last.map((s) => `${s.made}/${s.tried}`).join('  ')}</td>
            </tr>
          {/each}
        </tbody>
      </table>
    </div>
  {/if}
</section>
