<script lang="ts">
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import Checkbox from 'flowbite-svelte/Checkbox.svelte';
  import Input from 'flowbite-svelte/Input.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import { api, ask, type Schemas } from '$lib/api/client';
  import { dayOf, hourOf, fromField } from '$lib/state/teamclock';
  import { session } from '$lib/state/session.svelte';
  import { notices } from '$lib/state/notices.svelte';
  import Button from '$lib/ui/Button.svelte';

  let { data } = $props();
  const team = page.params.team ?? '';
  const games = $derived(data.games);
  let opponent = $state('');
  let when = $state('');
  let away = $state(false);
  let busy = $state(false);

  const now = Date.now();
  const ahead = $derived(games.filter((g) => Date.parse(g.startsAt) >= now - 3 * 3600_000).reverse());
  const over = $derived(games.filter((g) => Date.parse(g.startsAt) < now - 3 * 3600_000));
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
          body: { startsAt: fromField(when) ?? '', opponent, away, note: '', mixes: [], terms }
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
  <ol class="quiet-list grid gap-2 mb-4" aria-label={name}>
    {#each of as g (g.id)}
      <li class="sheet">
        <a
          class="grid grid-cols-[10.5rem_minmax(0,_1fr)_auto] gap-4 items-center min-h-15 py-2 px-4 no-underline max-md:grid-cols-[minmax(0,_1fr)] max-md:gap-[0.1rem] hover:bg-mark/20"
          href={`/${team}/games/${g.id}`}
        >
          <span class="day"><b>{dayOf(g.startsAt)}</b> <span class="numeral">{hourOf(g.startsAt)}</span></span
          >
          <span class="text-base"
            ><span class="soft">{g.away ? 'at' : 'against'}</span> <b>{g.opponent}</b></span
          >
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
  <p role="status" class="soft">Loading the games…</p>
{:else}
  <div
    class="grid grid-cols-[minmax(0,_1.8fr)_minmax(16rem,_1fr)] gap-4 items-start max-md:grid-cols-[minmax(0,_1fr)]"
  >
    <div>
      <h2 class="mt-0 mr-0 mb-2 ml-0">Ahead</h2>
      {#if ahead.length}{@render list(ahead, 'Games ahead')}
      {:else}<p class="soft">
          No game is on the schedule. {#if session.coach}Add one: what the opponent will do then weighs in
            every plan before it.{/if}
        </p>{/if}
      {#if over.length}
        <h2 class="mt-0 mr-0 mb-2 ml-0">Played</h2>
        {@render list(over, 'Games played')}
      {/if}
    </div>
    {#if session.coach}<form
        class="sheet p-4 grid gap-3 border-t-8 border-t-mark"
        aria-label="New game"
        onsubmit={add}
      >
        <h2 class="mt-0 mr-0 mb-2 ml-0">A game for the schedule</h2>
        <Label
          ><span>Opponent</span><Input
            bind:value={opponent}
            maxlength={60}
            required
            autocomplete="off"
          /></Label
        >
        <Label><span>When</span><Input type="datetime-local" bind:value={when} required /></Label>
        <Checkbox bind:checked={away}>Away</Checkbox>
        <Button type="submit" main disabled={busy}>Add the game</Button>
      </form>{/if}
  </div>
{/if}
