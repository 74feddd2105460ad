<script lang="ts">
  import { onMount } from 'svelte';
  import { beforeNavigate, goto } from '$app/navigation';
  import { page } from '$app/state';
  import Input from 'flowbite-svelte/Input.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import Select from 'flowbite-svelte/Select.svelte';
  import { api, ask, type Schemas } from '$lib/api/client';
  import { Player } from '$lib/court/player.svelte';
  import DrillFloor from '$lib/drill/DrillFloor.svelte';
  import Phases from '$lib/drill/Phases.svelte';
  import Positions from '$lib/drill/Positions.svelte';
  import GoesOn from '$lib/drill/GoesOn.svelte';
  import Stages from '$lib/drill/Stages.svelte';
  import { download, Draft } from '$lib/drill/draft.svelte';
  import { notices } from '$lib/state/notices.svelte';
  import { session } from '$lib/state/session.svelte';
  import Button from '$lib/ui/Button.svelte';
  import Note from '$lib/ui/Note.svelte';
  import Textarea from '$lib/ui/Textarea.svelte';

  // Write a drill of your own: from any drill, or change one of your own. The
  // floor beside it runs what is written, or says what cannot be.
  const team = page.params.team ?? '';
  const player = new Player();
  let draft = $state.raw<Draft | null>(null);
  let cues = $state<string[]>([]);
  const rules = [
    ['off-def-line', 'Offense, defense, line'],
    ['follow', 'Lines: move to the next one'],
    ['fixed-pairs', 'Fixed pairs swap places'],
    ['swap-ends', 'Offense, defense, line; change sides half way'],
    ['stations', 'Groups at baskets, move on half way'],
    ['winners-stay', 'Winners stay']
  ];

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
    const screen = draft?.drill.screen;
    if (!screen) {
      cues = [];
      return;
    }
    const lesson = await ask(
      api.GET('/api/teams/{teamId}/lesson', { params: { path: { teamId: team }, query: { screen } } })
    );
    cues = lesson.rows.map((r) => r.cue);
  }

  async function situation(id: string) {
    if (!draft) return;
    // Cues belong to a situation: with another one they are chosen anew.
    const { stages, then } = draft.drill;
    draft.change({
      screen: id || undefined,
      third: undefined,
      then: id ? then : undefined,
      stages: stages.map((s) => ({ ...s, cues: [], goal: id ? undefined : s.goal }))
    });
    await loadCues();
  }

  async function store() {
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
    if (draft?.changed && session.coach && !confirm('Leave without storing the drill?')) nav.cancel();
  });

  function keys(e: KeyboardEvent) {
    if (!(e.ctrlKey || e.metaKey) || e.key.toLowerCase() !== 'z') return;
    e.preventDefault();
    if (e.shiftKey) draft?.redo();
    else draft?.undo();
  }

  const lines = (text: string) => text.split('\n').filter((l) => l.trim());
</script>

<svelte:window onkeydown={keys} />

{#if problem}
  <Note>{problem}</Note>
  <p><Button href={`/${team}/teach/motion`}>To the offense</Button></p>
{:else if !draft}
  <p role="status" class="soft">Loading the drill…</p>
{:else}
  {@const d = draft.drill}
  <div class="bar flex flex-wrap gap-2 items-center mb-4">
    <h1 class="mr-auto">{draft.version ? 'Change a drill' : 'A drill of your own'}</h1>
    {#if session.coach}
      <Button main disabled={draft.problem !== ''} onclick={store}>Save drill</Button>
    {:else}<p class="soft">View only: try what you like, nothing is saved.</p>{/if}
    <Button disabled={!draft.canUndo} onclick={() => draft?.undo()}>Undo</Button>
    <Button disabled={!draft.canRedo} onclick={() => draft?.redo()}>Redo</Button>
    <Button onclick={() => draft && download(draft.drill)}>Export</Button>
  </div>
  <div
    class="grid grid-cols-[minmax(0,_1.25fr)_minmax(0,_1fr)] gap-6 items-start max-md:grid-cols-[minmax(0,_1fr)]"
  >
    <div
      class="grid gap-3 [&_fieldset]:border-0 [&_fieldset]:p-0 [&_fieldset]:m-0 [&_fieldset]:min-w-0 [&_legend]:font-bold [&_legend]:text-base [&_legend]:mb-2 [&_select]:min-h-11 [&_select]:w-full [&_select]:min-w-0 [&_select]:py-1 [&_select]:px-2 [&_select]:border [&_select]:border-line [&_select]:bg-sheet [&_select]:text-ink [&_select]:[font:inherit] [&_textarea]:min-h-11 [&_textarea]:w-full [&_textarea]:min-w-0 [&_textarea]:py-1 [&_textarea]:px-2 [&_textarea]:border [&_textarea]:border-line [&_textarea]:bg-sheet [&_textarea]:text-ink [&_textarea]:[font:inherit] [&_select]:pr-8 [&_select]:text-ellipsis [&_input:not([type='checkbox'],_[type='radio'])]:min-h-11 [&_input:not([type='checkbox'],_[type='radio'])]:w-full [&_input:not([type='checkbox'],_[type='radio'])]:min-w-0 [&_input:not([type='checkbox'],_[type='radio'])]:py-1 [&_input:not([type='checkbox'],_[type='radio'])]:px-2 [&_input:not([type='checkbox'],_[type='radio'])]:border [&_input:not([type='checkbox'],_[type='radio'])]:border-line [&_input:not([type='checkbox'],_[type='radio'])]:bg-sheet [&_input:not([type='checkbox'],_[type='radio'])]:text-ink [&_input:not([type='checkbox'],_[type='radio'])]:[font:inherit]"
    >
      <Label
        ><span>Name</span><Input
          value={d.name}
          maxlength={60}
          onchange={(e) => draft?.change({ name: e.currentTarget.value })}
        /></Label
      >
      <Label
        ><span>What it is</span><Textarea
          rows={3}
          value={d.about}
          onchange={(e) => draft?.change({ about: e.currentTarget.value })}
        /></Label
      >
      <div class="grid grid-cols-[1fr_1fr] gap-3 max-md:grid-cols-[minmax(0,_1fr)]">
        <Label>
          <span>Teaches the reads of</span>
          <Select placeholder="" value={d.screen ?? ''} onchange={(e) => situation(e.currentTarget.value)}>
            <option value="">no situation</option>
            {#each session.catalogue?.screens ?? [] as s (s.id)}<option value={s.id}>{s.name}</option>{/each}
          </Select>
        </Label>
        <Label>
          <span>How players move on</span>
          <Select
            placeholder=""
            value={d.rotation.rule}
            onchange={(e) =>
              draft?.change({
                rotation: { rule: e.currentTarget.value as typeof d.rotation.rule, say: d.rotation.say }
              })}
          >
            {#each rules as [id, name] (id)}<option value={id}>{name}</option>{/each}
          </Select>
        </Label>
      </div>
      <Label
        ><span>Said to the players</span><Input
          value={d.rotation.say}
          maxlength={200}
          onchange={(e) => draft?.change({ rotation: { rule: d.rotation.rule, say: e.currentTarget.value } })}
        /></Label
      >
      <Positions {draft} />
      <Phases {draft} />
      <Stages {draft} {cues} />
      <GoesOn {draft} />
      <div class="grid grid-cols-[1fr_1fr] gap-3 max-md:grid-cols-[minmax(0,_1fr)]">
        <Label
          ><span>Points to watch, one a line</span><Textarea
            rows={4}
            value={d.watch.join('\n')}
            onchange={(e) => draft?.change({ watch: lines(e.currentTarget.value) })}
          /></Label
        >
        <Label
          ><span>Cautions, one a line</span><Textarea
            rows={4}
            value={d.cautions.join('\n')}
            onchange={(e) => draft?.change({ cautions: lines(e.currentTarget.value) })}
          /></Label
        >
      </div>
    </div>
    <aside
      class="sheet sticky top-4 p-4 grid gap-3 border-t-8 border-t-mark max-md:static"
      aria-label="Preview"
    >
      {#if draft.problem}<Note>{draft.problem}</Note>{/if}
      {#if draft.motion}
        <div class="court relative aspect-[52/34]">
          {#if player.moment}<p class="absolute [inset:0_0_auto_0] py-2 px-3 bg-sheet/88">
              <b>{player.moment.name}.</b>
              {player.moment.say}
            </p>{/if}
          <DrillFloor drill={d} motion={draft.motion} {player} jersey={() => ''} />
        </div>
        <Button
          main
          onclick={() => (player.running ? player.stop() : draft?.motion && player.start(draft.motion.play))}
          >{player.running ? 'Stop' : 'Run it'}</Button
        >
      {/if}
    </aside>
  </div>
{/if}
