<script lang="ts">
  import { onMount } from 'svelte';
  import { invalidateAll } from '$app/navigation';
  import Input from 'flowbite-svelte/Input.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import Select from 'flowbite-svelte/Select.svelte';
  import { unsentReps } from '$lib/state/device';
  import { api, ask, Refusal } from '$lib/api/client';
  import { session } from '$lib/state/session.svelte';
  import ReadGlyph from './ReadGlyph.svelte';
  import Button from '$lib/ui/Button.svelte';
  import Note from '$lib/ui/Note.svelte';

  const setup = $derived(session.view?.state === 'setup');
  const demo = session.view?.demo;
  let email = $state(demo?.email ?? '');
  let password = $state(demo?.password ?? '');
  let program = $state('');
  let team = $state('');
  let ages = $state('12-14');
  let name = $state('');
  let problem = $state('');
  const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
  let busy = $state(false);
  let unanswered = $state(false);
  let unsent = $state(0);
  let forgot = $state(false);
  let mailed = $state('');
  let code = $state('');
  onMount(async () => (unsent = await unsentReps()));

  const bands = [
    ['7-8', 'Ages 7 and 8'],
    ['9-11', 'Ages 9 to 11'],
    ['12-14', 'Ages 12 to 14'],
    ['grades 9-12', 'Grades 9 to 12']
  ];

  async function enter(event: SubmitEvent) {
    event.preventDefault();
    busy = true;
    problem = '';
    try {
      if (forgot) {
        await ask(api.POST('/api/reset', { body: { email } }));
        mailed = email;
      } else if (setup)
        await session.setUp({ program, team, ages, name, email, password, zone, ...(code ? { code } : {}) });
      else await session.signIn({ email, password });
      if (!forgot) await invalidateAll();
    } catch (e) {
      unanswered = e instanceof Refusal && e.status === 0;
      problem = e instanceof Error ? e.message : String(e);
    } finally {
      busy = false;
    }
  }
</script>

<main class="door">
  <form onsubmit={enter} class="sheet p-6">
    <div class="flex items-center gap-3">
      <ReadGlyph read="curl" size={44} mono />
      <h1>{setup ? 'A new program' : 'Evrik'}</h1>
    </div>
    {#if setup}
      <p class="soft">This Evrik is empty. Make the program and the first head coach.</p>
      {#if session.view?.needsCode}
        <Label
          ><span>Code that was printed where the server was started</span><Input
            bind:value={code}
            required
            maxlength={40}
            autocomplete="off"
          /></Label
        >
      {/if}
      <Label><span>Program</span><Input bind:value={program} required maxlength={80} /></Label>
      <Label><span>First team</span><Input bind:value={team} required maxlength={80} /></Label>
      <Label>
        <span>Age group</span>
        <Select placeholder="" bind:value={ages}>
          {#each bands as [id, label] (id)}<option value={id}>{label}</option>{/each}
        </Select>
      </Label>
      <Label
        ><span>Your name</span><Input bind:value={name} required maxlength={80} autocomplete="name" /></Label
      >
    {:else if demo}
      <p class="demo border-l-6 border-l-mark pl-3">
        This is a demo with an invented club. The sign-in is filled in.
      </p>
    {/if}
    <Label>
      <span>Email</span>
      <Input type="email" bind:value={email} required autocomplete="username" />
    </Label>
    {#if forgot}
      <p class="soft">
        We mail you a link. It works once, for an hour. Without mail, ask whoever runs the server.
      </p>
      {#if mailed}
        <p role="status">If {mailed} has an account here, a link is on its way to it.</p>
      {/if}
    {:else}
      <Label>
        <span>Password</span>
        <Input
          type="password"
          bind:value={password}
          required
          minlength={setup ? 10 : undefined}
          autocomplete={setup ? 'new-password' : 'current-password'}
        />
      </Label>
    {/if}
    {#if unsent > 0}
      <Note warn role="status">
        {unsent === 1 ? 'One rep is' : `${unsent} reps are`} waiting on this device and will be sent once you have
        signed in.
      </Note>
    {/if}
    {#if problem}<Note>{problem}</Note>{/if}
    {#if problem && unanswered}
      <div class="flex gap-3">
        <Button type="submit" main class="grow" disabled={busy}>Retry</Button>
        <Button type="button" onclick={() => (problem = '')}>Cancel</Button>
      </div>
    {:else}
      <Button type="submit" main disabled={busy}
        >{forgot ? 'Send the link' : busy ? 'Signing in…' : setup ? 'Make it and sign in' : 'Sign in'}</Button
      >
    {/if}
    {#if !setup}
      <button
        type="button"
        class="min-h-11 justify-self-start underline"
        onclick={() => {
          forgot = !forgot;
          problem = mailed = '';
        }}>{forgot ? 'Back to sign in' : 'Forgot your password?'}</button
      >
    {/if}
  </form>
</main>
