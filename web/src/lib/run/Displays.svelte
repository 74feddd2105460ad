<script lang="ts">
  import { onMount } from 'svelte';
  import { api, ask, type Schemas } from '$lib/api/client';
  import { session } from '$lib/state/session.svelte';
  import Button from '$lib/ui/Button.svelte';
  import Note from '$lib/ui/Note.svelte';
  import { hourOf } from '$lib/state/teamclock';

  // Second screens, and the simulated devices of the demo.
  let { team, practice }: { team: string; practice: string } = $props();

  let code = $state.raw<Schemas['DisplayCode'] | null>(null);
  let paired = $state.raw<Schemas['PairedDisplay'][]>([]);
  let problem = $state('');
  const path = $derived({ teamId: team, practiceId: practice });
  const standIns = $derived(session.view?.standIns);
  const look = 3000; // ms between looks whether a display has been paired

  async function attempt(what: () => Promise<void>) {
    problem = '';
    try {
      await what();
    } catch (e) {
      problem = e instanceof Error ? e.message : String(e);
    }
  }

  const list = () =>
    attempt(async () => {
      paired = await ask(
        api.GET('/api/teams/{teamId}/practices/{practiceId}/displays', { params: { path } })
      );
    });

  const make = () =>
    attempt(async () => {
      code = await ask(api.POST('/api/teams/{teamId}/practices/{practiceId}/displays', { params: { path } }));
    });

  const end = (displayId: string) =>
    attempt(async () => {
      await ask(
        api.DELETE('/api/teams/{teamId}/practices/{practiceId}/displays/{displayId}', {
          params: { path: { ...path, displayId } }
        })
      );
      await list();
    });

  onMount(() => {
    void list();
    const timer = setInterval(list, look);
    return () => clearInterval(timer);
  });
</script>

{#if problem}<Note class="mb-3">{problem}</Note>{/if}
<p class="mb-3">
  A second screen shows the clock and who is up, to everybody in the gym. It shows no answers and no verdicts.
  On that screen open <b>{location.host}/display</b> and type the code.
</p>
{#if code}
  <p
    class="code numeral mb-3 text-4xl leading-none tracking-[0.08em] text-mark"
    role="status"
    aria-label="Code"
  >
    {code.code}
  </p>
  <p class="soft mb-3">For one screen, until {hourOf(code.until)}.</p>
{/if}
<p class="mb-3"><Button main onclick={make}>{code ? 'Another code' : 'Code for a screen'}</Button></p>
{#each paired as s, i (s.id)}
  <p class="row mb-3 flex items-center justify-between gap-4">
    <span>Screen {i + 1}, since {hourOf(s.pairedAt)}</span>
    <Button onclick={() => end(s.id)}>End it</Button>
  </p>
{/each}
{#if paired.length > 0}
  <p class="mb-3">
    <Button href={`/${team}/show/round?practice=${practice}`}>Everybody points</Button>
  </p>
  <p class="soft mb-3">A round of questions for the whole team: the screen shows them, you lead from here.</p>
{/if}
{#if standIns}
  <p class="soft mb-3">
    Simulated devices of the demo:
    {#if standIns.scoreboard}<a href={standIns.scoreboard} target="_blank" rel="noreferrer">scoreboard</a
      >,{/if}
    {#if standIns.clicker}<a href={`/${team}/clicker`} target="_blank" rel="noreferrer">hand clicker</a>.{/if}
  </p>
{/if}
