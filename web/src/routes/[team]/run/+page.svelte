<script lang="ts">
  import { onMount } from 'svelte';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { api, ask, type Schemas } from '$lib/api/client';

  const team = page.params.team ?? '';
  let now = $state<Schemas['Now'] | null>(null);

  onMount(async () => {
    const n = await ask(api.GET('/api/teams/{teamId}/now', { params: { path: { teamId: team } } }));
    if (n.next) await goto(`/${team}/run/${n.next.id}`, { replaceState: true });
    else now = n;
  });
</script>

{#if now}
  <section class="sheet p-6 max-w-2xl">
    <h1>Nothing to run</h1>
    <p class="my-3">A practice that is planned for today or later can be run on the floor.</p>
    <a class="tape" href={`/${team}/plan`}>Plan a practice</a>
  </section>
{:else}
  <p role="status" class="soft">Looking for the next practice…</p>
{/if}
