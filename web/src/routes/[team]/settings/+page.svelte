<script lang="ts">
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import Feed from '$lib/plan/Feed.svelte';
  import Audit from '$lib/settings/Audit.svelte';
  import Keeping from '$lib/settings/Keeping.svelte';
  import Password from '$lib/settings/Password.svelte';
  import Staff from '$lib/settings/Staff.svelte';
  import TeamForm from '$lib/settings/TeamForm.svelte';
  import Teams from '$lib/settings/Teams.svelte';
  import { session } from '$lib/state/session.svelte';
  import Button from '$lib/ui/Button.svelte';

  let { data } = $props();
  let given = $derived(data.team);
  let team = $derived.by(() => {
    const form = $state(structuredClone(given));
    return form;
  });

  async function out(everywhere: boolean) {
    await session.signOut(everywhere);
    await goto('/');
  }
</script>

<h1>Settings</h1>
<div class="mt-4 grid items-start gap-4 md:grid-cols-2">
  <TeamForm bind:team onsave={(saved) => (given = saved)} />
  <div class="grid gap-5 content-start">
    {#if session.coach}<Staff known={data} />{/if}
    <Feed bind:team />
    {#if session.head}
      <Teams here={page.params.team ?? ''} known={data.teams} />
      <Keeping />
      <Audit />
    {/if}
    <Password />
    <section class="sheet grid gap-3 p-4">
      <h2>You</h2>
      <p>{session.view?.me?.name}, {session.view?.program}</p>
      <div class="flex gap-2 flex-wrap">
        <Button onclick={() => out(false)}>Sign out</Button>
        <Button onclick={() => out(true)}>Sign out everywhere</Button>
      </div>
    </section>
  </div>
</div>
