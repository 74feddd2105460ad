<script lang="ts">
  import { onMount } from 'svelte';
  import { beforeNavigate, goto } from '$app/navigation';
  import { page } from '$app/state';
  import { api, ask, type Schemas } from '$lib/api/client';
  import Basics from '$lib/drill/Basics.svelte';
  import Phases from '$lib/drill/Phases.svelte';
  import PointsToWatch from '$lib/drill/PointsToWatch.svelte';
  import Preview from '$lib/drill/Preview.svelte';
  import Positions from '$lib/drill/Positions.svelte';
  import GoesOn from '$lib/drill/GoesOn.svelte';
  import Stages from '$lib/drill/Stages.svelte';
  import { download, Draft } from '$lib/drill/draft.svelte';
  import { notices } from '$lib/state/notices.svelte';
  import { session } from '$lib/state/session.svelte';
  import Button from '$lib/ui/Button.svelte';
  import Note from '$lib/ui/Note.svelte';

  // Write a drill of your own: from any drill, or change one of your own. The
  // floor beside it runs what is written, or says what cannot be.
  const team = page.params.team ?? '';
  let draft = $state.raw<Draft | null>(null);
  let cues = $state<string[]>([]);
  let problem = $state('');

  onMount(async () => {
    try {
      draft = await begin();
      await loadCues();
    } catch (e) {
      problem = e instanceof Error ? e.message : String(e);
    }
  });

  /** One of our own, cut out of a moment of an offense, or as another drill is. */
  async function begin() {
    const of = (name: string) => page.url.searchParams.get(name);
    const own = session.own.find((o) => o.drill.id === of('drill'));
    if (own) return new Draft(team, own.drill, own.version);
    const moment = of('moment');
    if (moment) return new Draft(team, await cutOut(moment), 0);
    const from = session.drill(of('from') ?? 'slot-twos');
    return from
      ? new Draft(team, { ...structuredClone($state.snapshot(from)), name: `${from.name}, ours` }, 0)
      : null;
  }

  function cutOut(moment: string) {
    let body: Schemas['OffenseCut'];
    try {
      body = JSON.parse(moment);
    } catch {
      throw new Error('This address holds no moment of an offense. Go back and cut the drill once more.');
    }
    return ask(api.POST('/api/teams/{teamId}/offense/drill', { params: { path: { teamId: team } }, body }));
  }

  async function loadCues() {
    const action = draft?.drill.action;
    if (!action) {
      cues = [];
      return;
    }
    const lesson = await ask(
      api.GET('/api/teams/{teamId}/lesson', { params: { path: { teamId: team }, query: { action } } })
    );
    cues = lesson.rows.map((r) => r.cue);
  }

  async function chooseAction(id: string) {
    if (!draft) return;
    // Cues belong to an action: with another one they are chosen anew.
    const { stages, then } = draft.drill;
    draft.change({
      action: id || undefined,
      third: undefined,
      then: id ? then : undefined,
      stages: stages.map((s) => ({ ...s, cues: [], goal: id ? undefined : s.goal }))
    });
    await loadCues();
  }

  async function save() {
    if (!draft) return;
    try {
      const id = await draft.store();
      await session.loadOwn();
      notices.say('The drill is saved.');
      await goto(`/${team}/drills/${id}`);
    } catch (e) {
      notices.fail(e);
    }
  }

  beforeNavigate((nav) => {
    if (draft?.changed && session.coach && !confirm('The drill is not saved yet. Leave without saving it?'))
      nav.cancel();
  });

  function keys(e: KeyboardEvent) {
    if (!(e.ctrlKey || e.metaKey) || e.key.toLowerCase() !== 'z') return;
    e.preventDefault();
    if (e.shiftKey) draft?.redo();
    else draft?.undo();
  }
</script>

<svelte:window onkeydown={keys} />

{#if problem}
  <Note>{problem}</Note>
  <p><Button href={`/${team}/teach/motion`}>To the offense</Button></p>
{:else if !draft}
  <p role="status" class="soft">Loading the drill…</p>
{:else}
  <div class="bar flex flex-wrap gap-2 items-center mb-4">
    <h1 class="mr-auto">{draft.version ? 'Change a drill' : 'A drill of your own'}</h1>
    {#if session.coach}
      <Button main disabled={draft.problem !== ''} onclick={save}>Save drill</Button>
    {:else}<p class="soft">View only: try what you like, nothing is saved.</p>{/if}
    <Button disabled={!draft.canUndo} onclick={() => draft?.undo()}>Undo</Button>
    <Button disabled={!draft.canRedo} onclick={() => draft?.redo()}>Redo</Button>
    <Button onclick={() => draft && download(draft.drill)}>Export</Button>
  </div>
  <div
    class="grid grid-cols-[minmax(0,_1.25fr)_minmax(0,_1fr)] gap-6 items-start max-md:grid-cols-[minmax(0,_1fr)]"
  >
    <div
      class="grid gap-3 [&_fieldset]:m-0 [&_fieldset]:min-w-0 [&_fieldset]:border-0 [&_fieldset]:p-0 [&_legend]:mb-2 [&_legend]:font-bold"
    >
      <Basics {draft} onaction={chooseAction} />
      <Positions {draft} />
      <Phases {draft} />
      <Stages {draft} {cues} />
      <GoesOn {draft} />
      <PointsToWatch {draft} />
    </div>
    <Preview {draft} />
  </div>
{/if}
