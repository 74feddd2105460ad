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

  // A link from a mail: a new password, and in.
  const path = { resetKey: page.params.key ?? '' };
  let { data } = $props();
  let problem = $state('');
  let password = $state('');
  let busy = $state(false);

  async function save(e: SubmitEvent) {
    e.preventDefault();
    busy = true;
    problem = '';
    try {
      await ask(api.POST('/api/reset/{resetKey}', { params: { path }, body: { password } }));
      await session.load();
      await goto('/');
    } catch (err) {
      problem = err instanceof Error ? err.message : String(err);
    } finally {
      busy = false;
    }
  }
</script>

<svelte:head><title>New password · Evrik</title></svelte:head>
<main class="door">
  <form onsubmit={save} class="sheet p-6">
    <div class="flex items-center gap-3">
      <ReadGlyph read="curl" size={44} mono />
      <h1>A new password</h1>
    </div>
    {#if data.dead}
      <Note>{data.dead}</Note>
      <Button href="/">To the sign-in</Button>
    {:else}
      <Label
        ><span>New password, ten characters or more</span><Input
          type="password"
          bind:value={password}
          required
          minlength={10}
          maxlength={200}
          autocomplete="new-password"
        /></Label
      >
      {#if problem}<Note>{problem}</Note>{/if}
      <Button type="submit" main disabled={busy}>Save and sign in</Button>
    {/if}
  </form>
</main>
