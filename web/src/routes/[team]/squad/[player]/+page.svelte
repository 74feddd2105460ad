<script lang="ts">
  import { onMount } from 'svelte';
  import { page } from '$app/state';
  import { api, ask, type Schemas } from '$lib/api/client';
  import { session } from '$lib/state/session.svelte';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import Eyes from '$lib/squad/Eyes.svelte';
  import StandingRow from '$lib/squad/StandingRow.svelte';

  import { dayOf } from '$lib/parts/verdicts';

  const team = page.params.team ?? '';
  let card = $state<Schemas['Card'] | null>(null);
  let failed = $state('');
  const open = page.url.searchParams.get('read');

  onMount(async () => {
    try {
      card = await ask(
        api.GET('/api/teams/{teamId}/players/{playerId}', {
          params: { path: { teamId: team, playerId: page.params.player ?? '' } }
        })
      );
    } catch (e) {
      failed = e instanceof Error ? e.message : String(e);
    }
  });
</script>

{#if failed}
  <h1>No such player</h1>
  <p class="my-4">{failed}</p>
  <a class="tape" href={`/${team}/squad`}>Open the squad</a>
{:else if !card}
  <p role="status" class="soft">Loading player…</p>
{:else}
  <header>
    <span class="numeral jersey">{card.player.jersey}</span>
    <div>
      <h1>{card.player.name}</h1>
      <p class="soft">
        {[
          card.player.handler && 'handler',
          card.player.wing && 'wing',
          card.player.big && 'big',
          card.player.shooter && 'shooter'
        ]
          .filter(Boolean)
          .join(', ')}
      </p>
    </div>
    <a class="tape plain first" href={`/${team}/squad/${card.player.id}/words`}>For the player, on paper</a>
    <a class="tape plain" href={`/${team}/squad`}>Open the squad</a>
  </header>
  <div class="card">
    <div class="grid grid-cols-[minmax(0,1fr)] gap-5">
      {#each card.parts as part (part.role)}
        <section class="sheet">
          <h2>As {part.role}</h2>
          {#each part.standings as st (st.read)}
            <StandingRow standing={st} {team} open={st.read === open} />
          {/each}
        </section>
      {/each}
    </div>
    <div class="grid grid-cols-[minmax(0,1fr)] gap-5 content-start">
      <section class="sheet side">
        <h2>What to mend</h2>
        {#each card.tags as c (c.id)}
          <p class="count">
            <span>{session.tag(c.id)}</span>
            <span
              ><b class="numeral">{c.count}</b>
              <span class="soft">{c.perHundred.toFixed(1)} per 100 reps</span></span
            >
          </p>
        {:else}<p class="soft">None noted.</p>{/each}
      </section>
      <Eyes {team} player={card.player.id} />
      <section class="sheet side">
        <h2>Last reps</h2>
        <ol class="quiet-list">
          {#each card.recent as r (r.id)}
            <li>
              <span class="soft">{dayOf(r.at)}</span>
              <span class="numeral">{session.rung(r.rung)?.number}</span>
              <span>{session.cueName(r.cue)}, {r.side}</span>
              <ReadGlyph read={r.made} size={24} />
              <span>{r.correct ? '✓' : '✕'} {session.readName(r.made)}</span>
            </li>
          {:else}<li class="soft">Nothing is logged yet.</li>{/each}
        </ol>
      </section>
    </div>
  </div>
{/if}

<style>
  header {
    display: flex;
    flex-wrap: wrap;
    gap: 1rem;
    align-items: center;
    margin-bottom: 1rem;
  }
  header .first {
    margin-left: auto;
  }
  .jersey {
    font-size: 4rem;
    line-height: 0.9;
  }
  .card {
    display: grid;
    grid-template-columns: minmax(0, 1.6fr) minmax(18rem, 1fr);
    gap: 1.25rem;
    align-items: start;
  }
  section h2 {
    padding: 0.8rem 1rem 0.4rem;
  }
  .side {
    padding-bottom: 0.8rem;
  }
  .side p,
  .side li {
    padding: 0.15rem 1rem;
  }
  .count {
    display: flex;
    justify-content: space-between;
    gap: 0.7rem;
  }
  .side li {
    display: grid;
    grid-template-columns: 6.2rem 1rem 1fr auto 7rem;
    gap: 0.5rem;
    align-items: center;
    font-size: 0.92rem;
  }
  @media (max-width: 1000px) {
    .card {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
