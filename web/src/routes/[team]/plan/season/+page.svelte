<script lang="ts">
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { api, ask } from '$lib/api/client';
  import { notices } from '$lib/state/notices.svelte';
  import { session } from '$lib/state/session.svelte';
  import AimForm from '$lib/plan/AimForm.svelte';
  import { firstPlan } from '$lib/plan/draft.svelte';
  import { dateName, weekdayName } from '$lib/plan/days';
  import Pages from '$lib/plan/Pages.svelte';
  import type { SeasonDay } from '$lib/plan/season.svelte';
  import Timeline from '$lib/plan/Timeline.svelte';
  import Button from '$lib/ui/Button.svelte';
  import Note from '$lib/ui/Note.svelte';
  import { dateOf } from '$lib/state/teamclock';

  let { data } = $props();
  const path = { teamId: page.params.team ?? '' };
  const draft = $derived(data.draft);
  const practices = $derived(data.practices);

  const verb = { teach: 'teach', live: 'go live with', refresh: 'come back to' } as const;

  const plannedOn = (date: string) => practices.some((p) => dateOf(p.startsAt) === date);
  const next = $derived(draft.plan.days.find((d) => !d.game && d.items.length > 0 && !plannedOn(d.date)));
  const says = (d: SeasonDay) =>
    d.items.map((i) => `${verb[i.task]} the ${session.actionName(i.action).toLowerCase()}`).join(', ');

  async function plan(d: SeasonDay) {
    try {
      const players = await ask(api.GET('/api/teams/{teamId}/players', { params: { path } }));
      const body = firstPlan(
        path.teamId,
        players.map((p) => p.id),
        practices,
        d.date
      );
      const made = await ask(api.POST('/api/teams/{teamId}/practices', { params: { path }, body }));
      await goto(`/${path.teamId}/plan/${made.id}`);
    } catch (e) {
      notices.fail(e);
    }
  }

  function keys(e: KeyboardEvent) {
    if (!(e.ctrlKey || e.metaKey)) return;
    const k = e.key.toLowerCase();
    if (k === 'y' || (k === 'z' && e.shiftKey)) draft.redo();
    else if (k === 'z') draft.undo();
    else return;
    e.preventDefault();
  }
</script>

<svelte:window onkeydown={keys} />

<Pages here="season" />
<div class="page-head">
  <h1>The weeks ahead</h1>
  <p class="soft min-w-60 flex-1">
    Guided first, live in a later practice and before the game that needs it, and again before the players
    lose it.
  </p>
  {#if session.coach}
    <Button onclick={() => draft.undo()} disabled={!draft.canUndo}>Undo</Button>
    <Button onclick={() => draft.redo()} disabled={!draft.canRedo}>Redo</Button>
  {/if}
</div>
{#if draft.problem}<Note>
    {draft.problem} The weeks shown are those before.
  </Note>{/if}
{#each draft.plan.problems as p (p)}<Note warn>{p}</Note>{/each}
{#if draft.plan.days.length > 0 && draft.aim.install.length > 0}
  <Timeline days={draft.plan.days} install={draft.aim.install} />
{:else}
  <p>Say below when you practice and what you want to teach; the weeks are laid out from it.</p>
{/if}
{#if next && session.coach}
  <p class="next no-print flex gap-3 items-center mt-4">
    <Button main onclick={() => next && plan(next)}
      >Plan {weekdayName(next.date)}, {dateName(next.date)}</Button
    >
    <span>{says(next)}</span>
  </p>
{/if}
{#if session.coach}<AimForm {draft} />{/if}
