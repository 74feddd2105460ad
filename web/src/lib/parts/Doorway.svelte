<script lang="ts">
  import { onMount } from 'svelte';
  import { invalidateAll } from '$app/navigation';
  import { unsentReps } from '$lib/state/device';
  import { api, ask, Refusal } from '$lib/api/client';
  import { session } from '$lib/state/session.svelte';
  import ReadGlyph from './ReadGlyph.svelte';

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
        <label class="field"
          ><span>Code that was printed where the server was started</span><input
            bind:value={code}
            required
            maxlength="40"
            autocomplete="off"
          /></label
        >
      {/if}
      <label class="field"><span>Program</span><input bind:value={program} required maxlength="80" /></label>
      <label class="field"><span>First team</span><input bind:value={team} required maxlength="80" /></label>
      <label class="field">
        <span>Age group</span>
        <select bind:value={ages}>
          {#each bands as [id, label] (id)}<option value={id}>{label}</option>{/each}
        </select>
      </label>
      <label class="field"
        ><span>Your name</span><input bind:value={name} required maxlength="80" autocomplete="name" /></label
      >
    {:else if demo}
      <p class="demo border-l-6 border-l-mark pl-3">
        This is a demo with an invented club. The sign-in is filled in.
      </p>
    {/if}
    <label class="field">
      <span>Email</span>
      <input type="email" bind:value={email} required autocomplete="username" />
    </label>
    {#if forgot}
      <p class="soft">
        We mail you a link. It works once, for an hour. Without mail, ask whoever runs the server.
      </p>
      {#if mailed}
        <p role="status">If {mailed} has an account here, a link is on its way to it.</p>
      {/if}
    {:else}
      <label class="field">
        <span>Password</span>
        <input
          type="password"
          bind:value={password}
          required
          minlength={setup ? 10 : undefined}
          autocomplete={setup ? 'new-password' : 'current-password'}
        />
      </label>
    {/if}
    {#if unsent > 0}
      <p role="status" class="warn">
        {unsent === 1 ? 'One rep is' : `${unsent} reps are`} waiting on this device and will be sent once you have
        signed in.
      </p>
    {/if}
    {#if problem}<p role="alert" class="problem">{problem}</p>{/if}
    {#if problem && unanswered}
      <div class="flex gap-3">
        <button class="tape grow" disabled={busy}>Retry</button>
        <button type="button" class="tape plain" onclick={() => (problem = '')}>Cancel</button>
      </div>
    {:else}
      <button class="tape" disabled={busy}
        >{forgot ? 'Send the link' : busy ? 'Signing in…' : setup ? 'Make it and sign in' : 'Sign in'}</button
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
