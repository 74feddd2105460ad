<script lang="ts">
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
      if (setup) await session.setUp({ program, team, ages, name, email, password, zone });
      else await session.signIn({ email, password });
    } catch (e) {
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
      <p class="demo">This is a demo with an invented club. The sign-in is filled in.</p>
    {/if}
    <label class="field">
      <span>Email</span>
      <input type="email" bind:value={email} required autocomplete="username" />
    </label>
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
    {#if problem}<p role="alert" class="problem">{problem}</p>{/if}
    <button class="tape" disabled={busy}>{setup ? 'Make it and sign in' : 'Sign in'}</button>
  </form>
</main>

<style>
  .demo {
    border-left: 6px solid var(--mark);
    padding-left: 0.7rem;
  }
</style>
