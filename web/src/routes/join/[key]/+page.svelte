<script lang="ts">
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import Input from 'flowbite-svelte/Input.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import { api, ask } from '$lib/api/client';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import { session } from '$lib/state/session.svelte';
  import Button from '$lib/ui/Button.svelte';
  import Note from '$lib/ui/Note.svelte';

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
      <Note>{data.dead}</Note>
      <Button href="/">To the sign-in</Button>
    {:else}
      <p>{view.invitedBy} invites you as <b>{roles[view.role]}</b>.</p>
      <Label><span>Email</span><Input value={view.email} readonly autocomplete="username" /></Label>
      <Label
        ><span>Your name</span><Input bind:value={name} required maxlength={80} autocomplete="name" /></Label
      >
      <Label
        ><span>A password, ten characters or more</span><Input
          type="password"
          bind:value={password}
          required
          minlength={10}
          autocomplete="new-password"
        /></Label
      >
      {#if problem}<Note>{problem}</Note>{/if}
      <Button type="submit" main disabled={busy}>Make the account</Button>
    {/if}
  </form>
</main>
