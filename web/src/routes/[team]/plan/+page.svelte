<script lang="ts">
  import Input from 'flowbite-svelte/Input.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import { goto, invalidateAll } from '$app/navigation';
  import { page } from '$app/state';
  import { api, ask, type Schemas } from '$lib/api/client';
  import KeptNote from '$lib/parts/KeptNote.svelte';
  import { again, firstPlan } from '$lib/plan/draft.svelte';
  import Month from '$lib/plan/Month.svelte';
  import Pages from '$lib/plan/Pages.svelte';
  import PracticeList from '$lib/plan/PracticeList.svelte';
  import { asked, holds, remember } from '$lib/state/asked';
  import { notices } from '$lib/state/notices.svelte';
  import { fullDayOf, longDayOf } from '$lib/state/teamclock';
  import { session } from '$lib/state/session.svelte';
  import Button from '$lib/ui/Button.svelte';

  let { data } = $props();
  const path = $derived({ teamId: page.params.team ?? '' });
  const list = $derived(data.list);
  const month = $derived(page.url.searchParams.get('view') === 'month');
  const there = (month: boolean) => `/${path.teamId}/plan${month ? '?view=month' : ''}`;
  let busy = $state(false);

  const many = 12; // practices, from which on a search is worth its place (assumption)
  let wanted = $state(asked('q'));
  const found = $derived(
    list.filter((p) =>
      holds(`${longDayOf(p.startsAt)} ${fullDayOf(p.startsAt)} ${p.drills.join(' ')}`, wanted)
    )
  );
  const coming = $derived(found.filter((p) => p.status !== 'done').reverse());
  const done = $derived(found.filter((p) => p.status === 'done'));

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
      <Button aria-current={!month ? 'page' : undefined} href={there(false)}>List</Button>
      <Button aria-current={month ? 'page' : undefined} href={there(true)}>Month</Button>
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
  {#if list.length > many}
    <Label class="max-w-md">
      <span>Search practices</span>
      <Input
        type="search"
        placeholder="a drill, a day, a month"
        maxlength={80}
        bind:value={wanted}
        oninput={() => remember({ q: wanted.trim() })}
      />
    </Label>
    <p class="mt-2 text-sm text-soft" role="status">
      {found.length === list.length
        ? `${list.length} practices`
        : `${found.length} of ${list.length} practices`}
    </p>
  {/if}
  <PracticeList team={path.teamId} name="To come" rows={coming} />
  <PracticeList
    team={path.teamId}
    name="Done"
    rows={done}
    onduplicate={session.coach && !busy ? (p) => void add(p) : undefined}
  />
{/if}
