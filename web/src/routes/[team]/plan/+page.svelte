<script lang="ts">
  import { onMount } from 'svelte';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { api, ask, type Schemas } from '$lib/api/client';
  import { session } from '$lib/state/session.svelte';
  import { datedOrKept } from '$lib/state/device';
  import KeptNote from '$lib/parts/KeptNote.svelte';
  import NoAnswer from '$lib/parts/NoAnswer.svelte';
  import { notices } from '$lib/state/notices.svelte';
  import { dayOf, hourOf } from '$lib/parts/verdicts';
  import { firstPlan } from '$lib/plan/draft.svelte';
  import Pages from '$lib/plan/Pages.svelte';

  const path = { teamId: page.params.team ?? '' };
  let list = $state<Schemas['PracticeSummary'][] | null>(null);
  let since = $state<number>();
  let problem = $state('');
  let busy = $state(false);

  async function load() {
    problem = '';
    try {
      const dated = await datedOrKept(
        `practices ${path.teamId}`,
        ask(api.GET('/api/teams/{teamId}/practices', { params: { path } }))
      );
      list = dated.value;
      since = dated.since;
    } catch (e) {
      problem = e instanceof Error ? e.message : String(e);
    }
  }
  onMount(load);

  async function add() {
    busy = true;
    try {
      const players = await ask(api.GET('/api/teams/{teamId}/players', { params: { path } }));
      const body = firstPlan(
        players.map((p) => p.id),
        list ?? []
      );
      const made = await ask(api.POST('/api/teams/{teamId}/practices', { params: { path }, body }));
      await goto(`/${path.teamId}/plan/${made.id}`);
    } catch (e) {
      notices.fail(e);
    } finally {
      busy = false;
    }
  }

  const coming = $derived([...(list?.filter((p) => p.status !== 'done') ?? [])].reverse());
  const done = $derived(list?.filter((p) => p.status === 'done') ?? []);
</script>

<Pages here="" />
<div class="page-head">
  <h1>Practices</h1>
  {#if session.coach}
    <button class="tape" onclick={add} disabled={busy || !list}>Plan a practice</button>
  {/if}
</div>
<KeptNote {since} onretry={load} />
{#if problem && !list}
  <NoAnswer title="No answer yet" {problem} onretry={load} />
{:else if !list}
  <p role="status" class="soft">Loading practices…</p>
{:else if list.length === 0}
  <p class="my-4 max-w-xl">
    Nothing is planned yet. {#if session.coach}Plan a practice makes an empty evening with everybody there,
      and one button fills it with what your players need most.{/if}
  </p>
{:else}
  {#each [{ name: 'To come', rows: coming }, { name: 'Done', rows: done }] as group (group.name)}
    {#if group.rows.length}
      <h2>{group.name}</h2>
      <ul class="quiet-list sheet">
        {#each group.rows as p (p.id)}
          <li>
            <a href={`/${path.teamId}/plan/${p.id}`}>
              <b>{dayOf(p.startsAt)}</b>
              <span class="numeral">{hourOf(p.startsAt)}</span>
              <span><span class="numeral">{p.minutes}</span> min</span>
              <span class="soft">
                {#if p.status === 'open'}on the floor
                {:else if p.reps > 0}<span class="numeral">{p.reps}</span> answers logged{/if}
              </span>
            </a>
          </li>
        {/each}
      </ul>
    {/if}
  {/each}
{/if}

<style>
  h2 {
    margin: 1.25rem 0 0.5rem;
  }
  ul {
    max-width: 48rem;
  }
  li + li {
    border-top: 1px solid var(--seam);
  }
  a {
    display: grid;
    grid-template-columns: 9rem 6rem 6rem 1fr;
    gap: 0.75rem;
    padding: 0.8rem 1rem;
    text-decoration: none;
    min-height: 48px;
  }
  a:hover {
    background: color-mix(in srgb, var(--mark) 18%, transparent);
  }
  @media (max-width: 560px) {
    a {
      grid-template-columns: 1fr auto auto;
    }
    a .soft {
      grid-column: 1 / -1;
    }
  }
</style>
