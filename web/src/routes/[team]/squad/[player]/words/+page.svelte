<script lang="ts">
  import { onMount } from 'svelte';
  import { page } from '$app/state';
  import { api, ask, type Schemas } from '$lib/api/client';
  import { session } from '$lib/state/session.svelte';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import { tapeOf } from '$lib/parts/glyphs';

  // The card for the player: strengths first, then two things to work on, on one page.
  const team = page.params.team ?? '';
  let card = $state<Schemas['Card'] | null>(null);
  let problem = $state('');

  onMount(async () => {
    try {
      card = await ask(
        api.GET('/api/teams/{teamId}/players/{playerId}', {
          params: { path: { teamId: team, playerId: page.params.player ?? '' } }
        })
      );
    } catch (e) {
      problem = e instanceof Error ? e.message : String(e);
    }
  });
  const today = new Intl.DateTimeFormat(undefined, { dateStyle: 'long' }).format(new Date());
  const stage = (w: Schemas['Words']['next'][number]) =>
    session.drill(w.drill)?.stages.find((s) => s.id === w.stage)?.name ?? '';
</script>

{#if problem}
  <h1>No such player</h1>
  <p class="my-4">{problem}</p>
  <a class="tape" href={`/${team}/squad`}>Open the squad</a>
{:else if !card}
  <p role="status" class="soft">Writing the card…</p>
{:else}
  <div class="page-head no-print">
    <a class="tape plain" href={`/${team}/squad/${card.player.id}`}>Back to the card</a>
    <button class="tape" onclick={() => print()}>Print</button>
    <span class="soft">Only this player is on it. Give it to the player, not to the wall.</span>
  </div>
  <article class="sheet">
    <header>
      <span class="numeral jersey">{card.player.jersey}</span>
      <div>
        <h1>{card.player.name}</h1>
        <p class="soft">{session.view?.teams.find((t) => t.id === team)?.name}, {today}</p>
      </div>
    </header>
    <h2>What you do well</h2>
    <ul class="quiet-list">
      {#each card.words.strengths as s (s.read)}
        <li style:--tape={tapeOf(s.read)}>
          <ReadGlyph read={s.read} size={52} />
          <p><b>{session.readName(s.read)}.</b> {s.text}</p>
        </li>
      {:else}<li><p>It is early: the first reps are still to come.</p></li>{/each}
    </ul>
    <h2>Work on these two next</h2>
    <ol class="quiet-list">
      {#each card.words.next as n (n.read)}
        <li style:--tape={tapeOf(n.read)}>
          <ReadGlyph read={n.read} size={52} />
          <div>
            <p><b>{session.readName(n.read)}.</b> {n.so}</p>
            {#if n.when}<p><b>Look for:</b> {n.when}</p>{/if}
            {#if n.do}<p><b>Then:</b> {n.do}</p>{/if}
            <p><b>You will hear:</b> “{n.call}”</p>
            {#if n.drill}<p><b>Ask for:</b> {session.drill(n.drill)?.name}, {stage(n).toLowerCase()}.</p>{/if}
          </div>
        </li>
      {:else}<li><p>Nothing is open. Show it in a game.</p></li>{/each}
    </ol>
    <p class="soft foot">
      A read counts as right when it fits what your defender did, whether the shot goes in or not.
    </p>
  </article>
{/if}

<style>
  article {
    max-width: 46rem;
    padding: 1.6rem 2rem;
    font-size: 1.1rem;
  }
  header {
    display: flex;
    gap: 1.2rem;
    align-items: center;
    border-bottom: 3px solid var(--ink);
    padding-bottom: 0.7rem;
  }
  .jersey {
    font-size: 4.4rem;
    line-height: 0.9;
  }
  h2 {
    margin: 1.2rem 0 0.5rem;
    font-size: 1.3rem;
  }
  li {
    display: grid;
    grid-template-columns: auto 1fr;
    gap: 1rem;
    align-items: start;
    padding: 0.55rem 0 0.55rem 0.8rem;
    border-left: 8px solid var(--tape, var(--line));
    margin-bottom: 0.6rem;
    break-inside: avoid;
  }
  li > p {
    align-self: center;
  }
  li p + p {
    margin-top: 0.2rem;
  }
  .foot {
    margin-top: 1rem;
  }
  @media print {
    article {
      border: 0;
      padding: 0;
      max-width: none;
    }
  }
</style>
