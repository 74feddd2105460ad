<script lang="ts">
  import { onMount } from 'svelte';
  import { beforeNavigate, goto } from '$app/navigation';
  import { page } from '$app/state';
  import { api, ask, type Player } from '$lib/api/client';
  import { orKept } from '$lib/state/device';
  import NoAnswer from '$lib/parts/NoAnswer.svelte';
  import KeptNote from '$lib/parts/KeptNote.svelte';
  import { notices } from '$lib/state/notices.svelte';
  import { session } from '$lib/state/session.svelte';
  import { Draft } from '$lib/plan/draft.svelte';
  import { open } from '$lib/plan/opening';
  import TabList from '$lib/parts/TabList.svelte';
  import Adder from '$lib/plan/Adder.svelte';
  import FillBar from '$lib/plan/FillBar.svelte';
  import Goals from '$lib/plan/Goals.svelte';
  import Gym from '$lib/plan/Gym.svelte';
  import Inspector from '$lib/plan/Inspector.svelte';
  import PlanHead from '$lib/plan/PlanHead.svelte';
  import RunSheet from '$lib/plan/RunSheet.svelte';
  import Share from '$lib/plan/Share.svelte';
  import Sums from '$lib/plan/Sums.svelte';
  import Terms from '$lib/plan/Terms.svelte';
  import Totals from '$lib/plan/Totals.svelte';
  import Sure from '$lib/parts/Sure.svelte';
  import Button from '$lib/ui/Button.svelte';
  import Note from '$lib/ui/Note.svelte';

  const team = page.params.team ?? '';
  const id = page.params.practice ?? '';
  const draft = new Draft(team, id);
  let players = $state<Player[]>([]);
  let failed = $state('');
  let deleting = $state(false);

  const tabs = [
    ['block', 'Block'],
    ['who', 'Who is here'],
    ['terms', 'Terms'],
    ['goals', 'Goals'],
    ['share', 'Share']
  ] as const;
  let tab = $state<(typeof tabs)[number][0]>('block');
  const here = $derived(players.filter((p) => draft.input.present.includes(p.id)));
  onMount(load);
  async function load() {
    failed = '';
    try {
      const params = { path: { teamId: team } };
      players = await orKept(`players ${team}`, ask(api.GET('/api/teams/{teamId}/players', { params })));
      await draft.load();
      if (await open(draft, page.url.searchParams)) tab = 'goals';
    } catch (e) {
      failed = e instanceof Error ? e.message : String(e);
    }
  }

  async function save() {
    try {
      await draft.save();
      notices.say('The plan is saved.');
      return true;
    } catch (e) {
      notices.fail(e);
      return false;
    }
  }

  async function toFloor() {
    if (!draft.changed || (await save())) await goto(`/${team}/run/${id}`);
  }

  async function drop() {
    try {
      await ask(
        api.DELETE('/api/teams/{teamId}/practices/{practiceId}', {
          params: { path: { teamId: team, practiceId: id } }
        })
      );
      draft.stored = null;
      await goto(`/${team}/plan`);
    } catch (e) {
      notices.fail(e);
    }
  }

  beforeNavigate((nav) => {
    if (draft.changed && session.coach && !confirm('The plan is not saved yet. Leave without saving it?'))
      nav.cancel();
  });

  function keys(e: KeyboardEvent) {
    const typing = (e.target as HTMLElement).closest('input, select, textarea');
    if (!typing && !e.ctrlKey && !e.metaKey && !e.altKey) {
      if (e.key === 'f') void draft.fill('evening');
      if (e.key === 'h') void draft.fill('holes');
    }
    if (!(e.ctrlKey || e.metaKey)) return;
    const k = e.key.toLowerCase();
    if (k === 's' && session.coach) void save();
    else if (k === 'y' || (k === 'z' && e.shiftKey)) draft.redo();
    else if (k === 'z') draft.undo();
    else return;
    e.preventDefault();
  }
</script>

<svelte:window onkeydown={keys} />

{#if failed}
  <NoAnswer
    title="This practice cannot be shown"
    problem={failed}
    onretry={load}
    oncancel={() => goto(`/${team}/plan`)}
  />
{:else if !draft.stored}
  <p role="status" class="soft">Loading the practice…</p>
{:else}
  <KeptNote since={draft.since} />
  <PlanHead {draft} onsave={save} onrun={toFloor} />
  {#if draft.problem}<Note>{draft.problem}</Note>{/if}
  {#if !session.coach}<p class="soft">View only: try what you like, nothing is saved.</p>{/if}
  <Gym {draft} />
  <FillBar {draft} />
  <div
    class="grid grid-cols-[minmax(0,_1.1fr)_minmax(20rem,_1fr)] gap-4 items-start max-md:grid-cols-[minmax(0,_1fr)]"
  >
    <div class="grid grid-cols-[minmax(0,_1fr)] gap-3">
      <Adder {draft} />
      <RunSheet {draft} />
    </div>
    <div class="side grid grid-cols-[minmax(0,_1fr)] gap-3">
      <Sums {draft} />
      <TabList
        label="About the plan"
        class="no-print max-sm:justify-between"
        tabs={tabs.map(([id, name]) => ({
          id,
          name,
          count: id === 'who' ? draft.input.present.length : undefined
        }))}
        chosen={tab}
        controls="about-plan"
        onchoose={(id) => (tab = id as typeof tab)}
      />
      <div id="about-plan" role="tabpanel" aria-label={tabs.find(([id]) => id === tab)?.[1]}>
        {#if tab === 'block'}<Inspector {draft} players={here} />
        {:else if tab === 'who'}<Totals {draft} {players} />
        {:else if tab === 'terms'}<Terms {draft} />
        {:else if tab === 'goals'}<Goals {draft} {players} />
        {:else}
          <Share {draft} {team} practice={id} />
          {#if session.head}
            <Button class="mt-6" onclick={() => (deleting = true)}>Delete this practice</Button>
          {/if}
        {/if}
      </div>
    </div>
  </div>
  <Sure
    bind:open={deleting}
    title="Delete this practice?"
    text="The plan is gone for good. What was logged in it stays with the players."
    act="Delete it"
    onsure={drop}
  />
{/if}
