<script lang="ts">
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { api, ask } from '$lib/api/client';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import { session } from '$lib/state/session.svelte';

  // A one-time link: who invites to what, then a name and a password.
  const path = { joinKey: page.params.key ?? '' };
  let { data } = $props();
  const view = $derived(data.view);
  let problem = $state('');
  let name = $state('');
  let password = $state('');
  let busy = $state(false);
  const roles: Record<string, string> = {
    head: 'head coach',
    assistant: 'assistant: you plan, run and log',
    viewer: 'viewer: you see everything and change nothing'
  };

  async function join(e: SubmitEvent) {
    e.preventDefault();
    busy = true;
    problem = '';
    try {
      await ask(api.POST('/api/join/{joinKey}', { params: { path }, body: { name, password } }));
      await session.load();
      await goto('/');
    } catch (err) {
      problem = err instanceof Error ? err.message : String(err);
    } finally {
      busy = false;
    }
  }
</script>

<main class="door">
  <form onsubmit={join} class="sheet p-6">
    <div class="flex items-center gap-3">
      <ReadGlyph read="curl" size={44} mono />
      <h1>{view ? view.program : 'Evrik'}</h1>
    </div>
    {#if !view}
      <p role="alert" class="problem">{data.dead}</p>
      <a class="tape plain" href="/">To the sign-in</a>
    {:else}
      <p>{view.invitedBy} invites you as <b>{roles[view.role]}</b>.</p>
      <label class="field"
        ><span>Email</span><input value={view.email} readonly autocomplete="username" /></label
      >
      <label class="field"
        ><span>Your name</span><input bind:value={name} required maxlength="80" autocomplete="name" /></label
      >
      <label class="field"
        ><span>A password, ten characters or more</span><input
          type="password"
          bind:value={password}
          required
          minlength="10"
          autocomplete="new-password"
        /></label
      >
      {#if problem}<p role="alert" class="problem">{problem}</p>{/if}
      <button class="tape" disabled={busy}>Make the account</button>
    {/if}
  </form>
</main>
