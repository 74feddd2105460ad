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
{:else if !data}<p role="status" class="soft pt-0 pr-4 pb-3 pl-4">Loading reps…</p>
{:else}
  <div
    class="grid grid-cols-[minmax(0,_1fr)_minmax(0,_1.2fr)] gap-4 pt-0 pr-4 pb-4 pl-4 items-start max-sm:grid-cols-[minmax(0,_1fr)]"
  >
    {#if data.curve.length > 1}<div class="line"><Curve points={data.curve} {target} /></div>{/if}
    <div class="reps overflow-x-auto">
      <table class="border-collapse w-full text-sm">
        <thead
          ><tr
            ><th class="text-left font-normal text-soft">Day</th><th class="text-left font-normal text-soft"
              >Rung</th
            ><th class="text-left font-normal text-soft">Shown</th><th class="text-left font-normal text-soft"
              >Made</th
            ></tr
          ></thead
        >
        <tbody>
          {#each all ? data.reps : data.reps.slice(0, first) as rep (rep.id)}
            <tr>
              <td class="border-t border-t-seam pt-[0.15rem] pr-2 pb-[0.15rem] pl-0 whitespace-nowrap"
                >{dayOf(rep.at)}</td
              >
              <td class="numeral border-t border-t-seam pt-[0.15rem] pr-2 pb-[0.15rem] pl-0 whitespace-nowrap"
                >{session.rung(rep.rung)?.number}</td
              >
              <td class="border-t border-t-seam pt-[0.15rem] pr-2 pb-[0.15rem] pl-0 whitespace-nowrap"
                >{session.cueName(rep.cue)}{rep.side ? `, ${rep.side}` : ''}</td
              >
              <td class="border-t border-t-seam pt-[0.15rem] pr-2 pb-[0.15rem] pl-0 whitespace-nowrap"
                >{rep.correct ? '✓' : '✕'} {session.readName(rep.made)}</td
              >
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
