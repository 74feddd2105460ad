<script lang="ts">
  import { onMount } from 'svelte';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { api, ask, type Schemas } from '$lib/api/client';
  import NoAnswer from '$lib/parts/NoAnswer.svelte';
  import { ago } from '$lib/parts/verdicts';
  import { dayOf, hourOf } from '$lib/state/teamclock';
  import { keptOf, type Dated } from '$lib/state/device';
  import Button from '$lib/ui/Button.svelte';

  // Goes on to the practice that is next; without an answer of the server, to what is on this device.
  const team = page.params.team ?? '';
  let none = $state(false);
  let problem = $state('');
  let here = $state.raw<Dated<Schemas['Run']>[]>([]);

  async function load() {
    problem = '';
    try {
      const n = await ask(api.GET('/api/teams/{teamId}/now', { params: { path: { teamId: team } } }));
      if (n.next) await goto(`/${team}/run/${n.next.id}`, { replaceState: true });
      else none = true;
    } catch (e) {
      here = await keptOf<Schemas['Run']>('run', team);
      problem = e instanceof Error ? e.message : String(e);
    }
  }
  onMount(load);
</script>

{#if problem}
  <NoAnswer title="Run" {problem} onretry={load} oncancel={() => goto(`/${team}/now`)}>
    {#if here.length}
      <p class="mb-2">These practices are on this device and can be run without a network:</p>
      <div class="mb-4">
        <ul class="quiet-list grid gap-2">
          {#each here as { value, since } (value.practice.id)}
            <li>
              <Button class="w-full" href={`/${team}/run/${value.practice.id}`}>
                {dayOf(value.practice.startsAt)}
                <span class="numeral">{hourOf(value.practice.startsAt)}</span>
                <span class="soft">{value.practice.minutes} min, kept {ago(since ?? 0)}</span>
              </Button>
            </li>
          {/each}
        </ul>
      </div>
    {:else}
      <p class="mb-4">
        No practice is on this device. Open Now once with a network, and the next one will be.
      </p>
    {/if}
  </NoAnswer>
{:else if none}
  <section class="sheet p-6 max-w-2xl">
    <h1>Nothing to run</h1>
    <p class="my-3">A practice that is planned for today or later can be run on the floor.</p>
    <Button main href={`/${team}/plan`}>Plan a practice</Button>
  </section>
{:else}
  <p role="status" class="soft">Loading the next practice…</p>
{/if}
