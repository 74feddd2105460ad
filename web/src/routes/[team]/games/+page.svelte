<script lang="ts">
  import { onMount } from 'svelte';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { api, ask, type Schemas } from '$lib/api/client';
  import { dayOf, hourOf } from '$lib/parts/verdicts';
  import { session } from '$lib/state/session.svelte';
  import { notices } from '$lib/state/notices.svelte';

  const team = page.params.team ?? '';
  let games = $state.raw<Schemas['GameSummary'][] | null>(null);
  let opponent = $state('');
  let when = $state('');
  let away = $state(false);
  let busy = $state(false);

  onMount(async () => {
    games = await ask(api.GET('/api/teams/{teamId}/games', { params: { path: { teamId: team } } }));
  });

  const now = Date.now();
  const ahead = $derived((games ?? []).filter((g) => Date.parse(g.startsAt) >= now - 3 * 3600_000).reverse());
  const over = $derived((games ?? []).filter((g) => Date.parse(g.startsAt) < now - 3 * 3600_000));
  const usualMinutes = 32; // four quarters of eight (common practice)

  async function add(e: SubmitEvent) {
    e.preventDefault();
    busy = true;
    try {
      const players = await ask(
        api.GET('/api/teams/{teamId}/players', { params: { path: { teamId: team } } })
      );
      const terms = { available: players.map((p) => p.id), together: [], minutes: usualMinutes, caps: [] };
      const game = await ask(
        api.POST('/api/teams/{teamId}/games', {
          params: { path: { teamId: team } },
          body: { startsAt: new Date(when).toISOString(), opponent, away, note: '', mixes: [], terms }
        })
      );
      await goto(`/${team}/games/${game.id}`);
    } catch (err) {
      notices.fail(err);
    } finally {
      busy = false;
    }
  }
</script>

<div class="page-head"><h1>Games</h1></div>

{#snippet list(of: Schemas['GameSummary'][], name: string)}
  <ol class="quiet-list" aria-label={name}>
    {#each of as g (g.id)}
      <li class="sheet">
        <a href={`/${team}/games/${g.id}`}>
          <span class="day"><b>{dayOf(g.startsAt)}</b> <span class="numeral">{hourOf(g.startsAt)}</span></span
          >
          <span class="who"><span class="soft">{g.away ? 'at' : 'against'}</span> <b>{g.opponent}</b></span>
          <span class="soft">
            {#if g.reps > 0}<b class="numeral">{g.reps}</b> reads logged{:else if g.known}coverages expected{:else}nobody
              knows what they do{/if}
          </span>
        </a>
      </li>
    {/each}
  </ol>
{/snippet}

{#if !games}
  <p role="status" class="soft">Opening the schedule…</p>
{:else}
  <div class="two">
    <div>
      <h2>Ahead</h2>
      {#if ahead.length}{@render list(ahead, 'Games ahead')}
      {:else}<p class="soft">
          No game is on the schedule. {#if session.coach}Add one: what the opponent will do then weighs in
            every plan before it.{/if}
        </p>{/if}
      {#if over.length}
        <h2>Played</h2>
        {@render list(over, 'Games played')}
      {/if}
    </div>
    {#if session.coach}<form class="sheet" aria-label="New game" onsubmit={add}>
        <h2>A game for the schedule</h2>
        <label class="field"
          ><span>Opponent</span><input
            bind:value={opponent}
            maxlength="60"
            required
            autocomplete="off"
          /></label
        >
        <label class="field"
          ><span>When</span><input type="datetime-local" bind:value={when} required /></label
        >
        <label class="check"><input type="checkbox" bind:checked={away} />Away</label>
        <button class="tape" disabled={busy}>Add the game</button>
      </form>{/if}
  </div>
{/if}

<style>
  .two {
    display: grid;
    grid-template-columns: minmax(0, 1.8fr) minmax(16rem, 1fr);
    gap: 1.25rem;
    align-items: start;
  }
  h2 {
    margin: 0 0 0.4rem;
  }
  ol {
    display: grid;
    gap: 0.5rem;
    margin-bottom: 1.2rem;
  }
  li a {
    display: grid;
    grid-template-columns: 10.5rem minmax(0, 1fr) auto;
    gap: 1rem;
    align-items: center;
    min-height: 60px;
    padding: 0.4rem 1rem;
    text-decoration: none;
  }
  li a:hover {
    background: color-mix(in srgb, var(--mark) 20%, transparent);
  }
  .who {
    font-size: 1.15rem;
  }
  form {
    padding: 1rem;
    display: grid;
    gap: 0.8rem;
    border-top: 8px solid var(--mark);
  }
  @media (max-width: 900px) {
    .two {
      grid-template-columns: minmax(0, 1fr);
    }
    li a {
      grid-template-columns: minmax(0, 1fr);
      gap: 0.1rem;
    }
  }
</style>
