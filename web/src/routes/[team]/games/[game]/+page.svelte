<script lang="ts">
  import TabList from '$lib/parts/TabList.svelte';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import HalfTime from '$lib/game/HalfTime.svelte';
  import After from '$lib/game/After.svelte';
  import Lineups from '$lib/game/Lineups.svelte';
  import LineupTerms from '$lib/game/LineupTerms.svelte';
  import Mixes from '$lib/game/Mixes.svelte';
  import Readiness from '$lib/game/Readiness.svelte';
  import Sure from '$lib/parts/Sure.svelte';
  import { dayOf, hourOf } from '$lib/state/teamclock';
  import { notices } from '$lib/state/notices.svelte';
  import { session } from '$lib/state/session.svelte';
  import Button from '$lib/ui/Button.svelte';
  import Note from '$lib/ui/Note.svelte';

  const team = page.params.team ?? '';
  const id = page.params.game ?? '';
  let { data } = $props();
  const sheet = $derived(data.sheet);
  const view = $derived(sheet.view ?? data.view);
  type Part = 'ready' | 'five' | 'after';
  // The part stands in the address; a game that has been played opens at what came of it.
  const wanted = $derived(page.url.searchParams.get('part'));
  const part = $derived<Part>(
    wanted === 'ready' || wanted === 'five' || wanted === 'after'
      ? wanted
      : data.view.reps > 0
        ? 'after'
        : 'ready'
  );
  let deleting = $state(false);

  const g = $derived(view.game);
  const parts = $derived(
    [
      ['ready', 'What they will do'],
      ['five', 'Who plays'],
      ['after', 'After the game']
    ].filter(([p]) => p !== 'after' || (view.reps ?? 0) > 0) as [Part, string][]
  );
</script>

<div class="page-head">
  <h1><span class="soft">{g.away ? 'At' : 'Against'}</span> {g.opponent}</h1>
  <span class="soft">{dayOf(g.startsAt)} <span class="numeral">{hourOf(g.startsAt)}</span></span>
  {#if session.coach}
    <span class="soft" role="status">{sheet.storing ? 'Saving…' : 'Saved'}</span>
    <span class="grow"></span>
    <Button main href={`/${team}/games/${id}/bench`}>Log from the bench</Button>
  {/if}
  {#if session.head}<Button onclick={() => (deleting = true)}>Delete</Button>{/if}
</div>
<TabList
  label="The game"
  class="mb-4"
  tabs={parts.map(([id, name]) => ({ id, name }))}
  chosen={part}
  onchoose={(id) => void goto(`?part=${id}`, { replaceState: true, noScroll: true, keepFocus: true })}
/>

{#if part === 'ready'}
  <div
    class="grid grid-cols-[minmax(20rem,_1fr)_minmax(0,_1.7fr)] gap-4 items-start max-md:grid-cols-[minmax(0,_1fr)]"
  >
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
  <div class="grid gap-3 min-w-0">
    <div class="terms grid gap-3 min-w-0">
      <div inert={!session.coach}>
        <LineupTerms players={view.players} terms={g.terms} onchange={(terms) => sheet.change({ terms })} />
      </div>
      <Button main class="justify-self-start" disabled={sheet.busy} onclick={() => sheet.find()}
        >Suggest lineups</Button
      >
      {#if sheet.problem}<Note>{sheet.problem}</Note>{/if}
    </div>
    <div class="grid gap-3 min-w-0">
      {#if sheet.busy}<p role="status" class="soft">Comparing every five…</p>
      {:else if sheet.found}<Lineups found={sheet.found} players={view.players} />
      {:else}<p class="soft">
          Compares every five of the available players on what this opponent is expected to ask.
        </p>{/if}
    </div>
  </div>
{:else}
  <HalfTime {view} />
  <After {view} {team} />
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
