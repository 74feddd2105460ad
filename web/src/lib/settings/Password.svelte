<script lang="ts">
  import Input from 'flowbite-svelte/Input.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import { api, ask } from '$lib/api/client';
  import { notices } from '$lib/state/notices.svelte';
  import Button from '$lib/ui/Button.svelte';
  import Note from '$lib/ui/Note.svelte';

  // Everybody changes their own password here.
  let old = $state('');
  let next = $state('');
  let problem = $state('');
  let busy = $state(false);

  async function save(e: SubmitEvent) {
    e.preventDefault();
    busy = true;
    problem = '';
    try {
      await ask(api.PUT('/api/session/password', { body: { old, new: next } }));
      old = next = '';
      notices.say('Your password is changed. Other devices are signed out.');
    } catch (err) {
      problem = err instanceof Error ? err.message : String(err);
    } finally {
      busy = false;
    }
  }
</script>

<form class="sheet grid gap-3 p-[1.1rem]" aria-label="Your password" onsubmit={save}>
  <h2>Your password</h2>
  <Label
    ><span>Old password</span><Input
      type="password"
      bind:value={old}
      required
      autocomplete="current-password"
    /></Label
  >
  <Label
    ><span>New password, ten characters or more</span><Input
      type="password"
      bind:value={next}
      required
      minlength={10}
      maxlength={200}
      autocomplete="new-password"
    /></Label
  >
  {#if problem}<Note>{problem}</Note>{/if}
  <Button type="submit" disabled={busy}>{busy ? 'Saving…' : 'Change password'}</Button>
</form>
