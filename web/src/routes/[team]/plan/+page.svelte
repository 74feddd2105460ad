<script lang="ts">
  import { goto, invalidateAll } from '$app/navigation';
  import { page } from '$app/state';
  import { api, ask, type Schemas } from '$lib/api/client';
  import KeptNote from '$lib/parts/KeptNote.svelte';
  import { again, firstPlan } from '$lib/plan/draft.svelte';
  import Month from '$lib/plan/Month.svelte';
  import Pages from '$lib/plan/Pages.svelte';
  import PracticeList from '$lib/plan/PracticeList.svelte';
  import { notices } from '$lib/state/notices.svelte';
  import { session } from '$lib/state/session.svelte';
  import Button from '$lib/ui/Button.svelte';

  let { data } = $props();
  const path = $derived({ teamId: page.params.team ?? '' });
  const list = $derived(data.list);
  const month = $derived(page.url.searchParams.get('view') === 'month');
  let busy = $state(false);

  const coming = $derived(list.filter((p) => p.status !== 'done').reverse());
  const done = $derived(list.filter((p) => p.status === 'done'));

  /** A new practice on the next free day: empty, or with the blocks of another. */
  async function add(like?: Schemas['PracticeSummary']) {
    busy = true;
    try {
      const players = await ask(api.GET('/api/teams/{teamId}/players', { params: { path } }));
      const body = firstPlan(
        path.teamId,
        players.map((p) => p.id),
        list
      );
      if (like) {
        const at = { params: { path: { ...path, practiceId: like.id } } };
        const before = await ask(api.GET('/api/teams/{teamId}/practices/{practiceId}', at));
        Object.assign(body, { minutes: before.minutes, note: before.note, blocks: again(before.blocks) });
      }
      const made = await ask(api.POST('/api/teams/{teamId}/practices', { params: { path }, body }));
      if (like) notices.say('A copy on the next free day. Change the day, or what you like.');
      await goto(`/${path.teamId}/plan/${made.id}`);
    } catch (e) {
      notices.fail(e);
    } finally {
      busy = false;
    }
  }
</script>

<Pages here="" />
<div class="page-head">
  <h1>Practices</h1>
  <span class="grow"></span>
  {#if list.length}
    <div class="flex" role="group" aria-label="Shown as">
      <Button aria-current={!month ? 'page' : undefined} href="?">List</Button>
      <Button aria-current={month ? 'page' : undefined} href="?view=month">Month</Button>
    </div>
  {/if}
  {#if session.coach}
    <Button main onclick={() => add()} disabled={busy}>Plan a practice</Button>
  {/if}
</div>
<KeptNote since={data.since} onretry={() => invalidateAll()} />
{#if list.length === 0}
  <p class="my-4 max-w-xl">
    Nothing is planned yet. {#if session.coach}Plan a practice makes an empty evening with everybody there,
      and one button fills it with what your players need most.{/if}
  </p>
{:else if month}
  <Month team={path.teamId} rows={list} />
{:else}
  <PracticeList team={path.teamId} name="To come" rows={coming} />
  <PracticeList
    team={path.teamId}
    name="Done"
    rows={done}
    onduplicate={session.coach && !busy ? (p) => void add(p) : undefined}
  />
{/if}
