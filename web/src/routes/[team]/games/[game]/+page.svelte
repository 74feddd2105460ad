<script lang="ts">
  import { onMount } from 'svelte';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import HalfTime from '$lib/game/HalfTime.svelte';
  import After from '$lib/game/After.svelte';
  import Lineups from '$lib/game/Lineups.svelte';
  import LineupTerms from '$lib/game/LineupTerms.svelte';
  import Mixes from '$lib/game/Mixes.svelte';
  import Readiness from '$lib/game/Readiness.svelte';
  import { GameSheet } from '$lib/game/sheet.svelte';
  import Sure from '$lib/parts/Sure.svelte';
  import { dayOf, hourOf } from '$lib/parts/verdicts';
  import { notices } from '$lib/state/notices.svelte';
  import { session } from '$lib/state/session.svelte';

  const team = page.params.team ?? '';
  const id = page.params.game ?? '';
  const sheet = new GameSheet(team, id);
  const view = $derived(sheet.view);
  type Part = 'ready' | 'five' | 'after';
  let part = $state<Part>('ready');
  let deleting = $state(false);

  onMount(async () => {
    await sheet.load();
    const wanted = page.url.searchParams.get('part');
    if (wanted === 'ready' || wanted === 'five' || wanted === 'after') part = wanted;
    else if ((sheet.view?.reps ?? 0) > 0) part = 'after';
  });

  const parts = $derived(
    [
      ['ready', 'What they will do'],
      ['five', 'Who plays'],
      ['after', 'After the game']
    ].filter(([p]) => p !== 'after' || (view?.reps ?? 0) > 0) as [Part, string][]
  );
</script>

{#if !view}
  {#if sheet.problem}
    <h1>No such game</h1>
    <p class="my-4">{sheet.problem}</p>
    <a class="tape" href={`/${team}/games`}>To the games</a>
  {:else}<p role="status" class="soft">Opening the game…</p>{/if}
{:else}
  {@const g = view.game}
  <div class="page-head">
    <h1><span class="soft">{g.away ? 'At' : 'Against'}</span> {g.opponent}</h1>
    <span class="soft">{dayOf(g.startsAt)} <span class="numeral">{hourOf(g.startsAt)}</span></span>
    {#if session.coach}
      <span class="soft" role="status">{sheet.storing ? 'Saving…' : 'Saved'}</span>
      <span class="grow"></span>
      <a class="tape" href={`/${team}/games/${id}/bench`}>Log from the bench</a>
    {/if}
    {#if session.head}<button class="tape plain" onclick={() => (deleting = true)}>Delete</button>{/if}
  </div>
  <div role="tablist" aria-label="The game" class="tabs">
    {#each parts as [p, name] (p)}
      <button role="tab" aria-selected={part === p} onclick={() => (part = p)}>{name}</button>
    {/each}
  </div>

  {#if part === 'ready'}
    <div class="prep">
      <div inert={!session.coach}>
        <Mixes
          families={view.families}
          mixes={g.mixes}
          unpracticed={view.families.map((f) => f.id).filter((f) => !view.asked.includes(f))}
          onchange={(mixes) => sheet.change({ mixes })}
        />
      </div>
      <Readiness {view} {team} />
    </div>
  {:else if part === 'five'}
    <div class="who">
      <div class="terms">
        <div inert={!session.coach}>
          <LineupTerms players={view.players} terms={g.terms} onchange={(terms) => sheet.change({ terms })} />
        </div>
        <button class="tape" disabled={sheet.busy} onclick={() => sheet.find()}>Suggest lineups</button>
        {#if sheet.problem}<p role="alert" class="problem">{sheet.problem}</p>{/if}
      </div>
      <div class="found">
        {#if sheet.busy}<p role="status" class="soft">Comparing every five…</p>
        {:else if sheet.found}<Lineups found={sheet.found} players={view.players} />
        {:else}<p class="soft">
            Every five of those who may play is compared on what this opponent is expected to ask. Say who may
            play, then find the five.
          </p>{/if}
      </div>
    </div>
  {:else}
    <HalfTime {view} />
    <After {view} {team} />
  {/if}
{/if}

<Sure
  bind:open={deleting}
  title="Delete this game?"
  text="It goes off the schedule with what the bench counted. The reads that were logged stay with the players."
  act="Delete the game"
  onsure={async () => {
    try {
      await sheet.remove();
      await goto(`/${team}/games`);
    } catch (e) {
      notices.fail(e);
    }
  }}
/>

<style>
  .tabs {
    margin-bottom: 1rem;
  }
  .prep {
    display: grid;
    grid-template-columns: minmax(20rem, 1fr) minmax(0, 1.7fr);
    gap: 1rem;
    align-items: start;
  }
  .who,
  .terms,
  .found {
    display: grid;
    gap: 0.8rem;
    min-width: 0;
  }
  .terms .tape {
    justify-self: start;
  }
  @media (max-width: 960px) {
    .prep {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
