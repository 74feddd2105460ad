<script lang="ts">
  import { onMount } from 'svelte';
  import { api, ask, type Schemas } from '$lib/api/client';
  import { session } from '$lib/state/session.svelte';
  import { dayOf } from '$lib/parts/verdicts';
  import Curve from './Curve.svelte';

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

{#if problem}<p role="alert" class="problem">{problem}</p>
{:else if !data}<p role="status" class="soft pad">Loading reps…</p>
{:else}
  <div class="season">
    {#if data.curve.length > 1}<div class="line"><Curve points={data.curve} {target} /></div>{/if}
    <div class="reps">
      <table>
        <thead><tr><th>Day</th><th>Rung</th><th>Shown</th><th>Made</th></tr></thead>
        <tbody>
          {#each all ? data.reps : data.reps.slice(0, first) as rep (rep.id)}
            <tr>
              <td>{dayOf(rep.at)}</td>
              <td class="numeral">{session.rung(rep.rung)?.number}</td>
              <td>{session.cueName(rep.cue)}{rep.side ? `, ${rep.side}` : ''}</td>
              <td>{rep.correct ? '✓' : '✕'} {session.readName(rep.made)}</td>
            </tr>
          {/each}
        </tbody>
      </table>
      {#if data.reps.length > first && !all}
        <button class="tape plain" onclick={() => (all = true)}>All {data.reps.length} reps</button>
      {/if}
    </div>
  </div>
{/if}

<style>
  .season {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1.2fr);
    gap: 1rem;
    padding: 0 1rem 0.9rem;
    align-items: start;
  }
  .pad {
    padding: 0 1rem 0.7rem;
  }
  .reps {
    overflow-x: auto;
  }
  table {
    border-collapse: collapse;
    width: 100%;
    font-size: 0.92rem;
  }
  th {
    text-align: left;
    font-weight: 400;
    color: var(--ink-soft);
  }
  td {
    border-top: 1px solid var(--seam);
    padding: 0.15rem 0.6rem 0.15rem 0;
    white-space: nowrap;
  }
  @media (max-width: 760px) {
    .season {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
