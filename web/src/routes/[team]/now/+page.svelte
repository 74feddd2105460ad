<script lang="ts">
  import { invalidateAll } from '$app/navigation';
  import { page } from '$app/state';
  import FirstSteps from '$lib/now/FirstSteps.svelte';
  import Holds from '$lib/now/Holds.svelte';
  import NextPractice from '$lib/now/NextPractice.svelte';
  import RunList from '$lib/now/RunList.svelte';
  import Week from '$lib/now/Week.svelte';
  import KeptNote from '$lib/parts/KeptNote.svelte';
  import { provision } from '$lib/state/provision';
  import { session } from '$lib/state/session.svelte';

  // Five seconds: what is next, what is the one thing, who needs what.
  let { data } = $props();

  const team = $derived(page.params.team ?? '');
  const now = $derived(data.now);
  // What the next practice needs is put on the device while there is a network.
  $effect(() => (data.since === undefined ? provision(team, now.next) : undefined));
</script>

<KeptNote since={data.since} onretry={() => invalidateAll()} />
{#if session.coach}<FirstSteps {team} {now} />{/if}
{#if now.started.roster}
  <div
    class="grid items-start gap-x-8 gap-y-6 md:grid-cols-[minmax(0,7fr)_minmax(0,5fr)] lg:grid-cols-[minmax(0,6fr)_minmax(0,5fr)_16rem]"
  >
    <NextPractice {team} {now} />
    {#if now.next?.blocks.length}<RunList practice={now.next} />{:else}<span></span>{/if}
    <div class="max-lg:md:col-span-2"><Week {team} {now} /></div>
    <div class="md:col-span-full"><Holds {team} {now} /></div>
  </div>
{:else if !session.coach}
  <h1>Nobody is on the roster yet</h1>
  <p class="my-3">What the team can do stands here once its coach has added players.</p>
{/if}
