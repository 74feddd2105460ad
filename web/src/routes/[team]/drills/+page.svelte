<script lang="ts">
  import { onMount } from 'svelte';
  import { page } from '$app/state';
  import { api, ask, type Schemas } from '$lib/api/client';
  import { chosen } from '$lib/parts/chosen';
  import { orKept } from '$lib/state/device';
  import { notices } from '$lib/state/notices.svelte';
  import { session } from '$lib/state/session.svelte';
  import Sketch from '$lib/court/Sketch.svelte';
  import KeptNote from '$lib/parts/KeptNote.svelte';
  import Ladder from '$lib/parts/Ladder.svelte';

  const team = page.params.team ?? '';
  type Drill = Schemas['Drill'];

  let words = $state('');
  let situation = $state('');
  let rung = $state('');
  let players = $state<number | null>(null);
  let alone = $state(false);
  let needed = $state(false);
  /** Drills for what holds the team back, as soon as it is known. */
  let serving = $state.raw<string[] | null>(null);

  onMount(async () => {
    try {
      const params = { path: { teamId: team } };
      serving = (await orKept(`now ${team}`, ask(api.GET('/api/teams/{teamId}/now', { params })))).drills;
    } catch (e) {
      notices.fail(e);
    }
  });

  const drills = $derived(session.drills);
  const screens = $derived(
    (session.catalogue?.screens ?? []).filter((s) => drills.some((d) => d.screen === s.id))
  );
  const screenOf = (d: Drill) => session.catalogue?.screens.find((s) => s.id === d.screen);
  const helped = (d: Drill) => d.positions.some((p) => p.helper);
  const own = (d: Drill) => d.positions.filter((p) => !p.helper).length;
  /** The fewest players some stage of a drill works with. */
  const least = (d: Drill) => own(d) + Math.min(...d.stages.map((s) => s.defenders));
  const fits = (d: Drill) =>
    (!situation || d.screen === situation) &&
    (!rung || d.stages.some((s) => s.rung === rung)) &&
    (!players || least(d) <= players) &&
    (!alone || !helped(d)) &&
    (!needed || (serving ?? []).includes(d.id)) &&
    words
      .toLowerCase()
      .split(/\s+/)
      .every((w) => `${d.name} ${d.about} ${d.watch.join(' ')}`.toLowerCase().includes(w));
  const shown = $derived(drills.filter(fits));
  const isOwn = (d: Drill) => session.own.some((o) => o.drill.id === d.id);

  async function take(e: Event) {
    const file = chosen(e);
    if (!file) return;
    try {
      const body = JSON.parse(await file.text()) as Record<string, unknown>;
      const o = await ask(api.POST('/api/drills', { body }));
      await session.loadOwn();
      notices.say(`${o.drill.name} was imported.`);
    } catch (err) {
      if (err instanceof SyntaxError) notices.say('This is not a drill file. Nothing was imported.', true);
      else notices.fail(err);
    }
  }
</script>

<KeptNote since={session.since} onretry={() => location.reload()} />
<div class="head">
  <h1>Drills</h1>
  <p class="soft">A drill climbs one rung at a time, and goes back one when it breaks.</p>
  {#if session.coach}<span class="acts">
      <a class="tape" href={`/${team}/drills/edit`}>Write your own</a>
      <label class="tape plain"
        >Import a drill<input
          type="file"
          accept=".json,application/json"
          class="visually-hidden"
          onchange={take}
        /></label
      >
    </span>{/if}
</div>
<form class="filters" aria-label="Filter the drills" onsubmit={(e) => e.preventDefault()}>
  <label class="field"><span>Words</span><input type="search" bind:value={words} maxlength="80" /></label>
  <label class="field">
    <span>Reads of</span>
    <select bind:value={situation}>
      <option value="">any situation</option>
      {#each screens as s (s.id)}<option value={s.id}>{s.name}</option>{/each}
    </select>
  </label>
  <label class="field">
    <span>Rung</span>
    <select bind:value={rung}>
      <option value="">any rung</option>
      {#each session.catalogue?.ladder ?? [] as r (r.id)}<option value={r.id}>{r.number} {r.name}</option
        >{/each}
    </select>
  </label>
  <label class="field"
    ><span>Players here</span><input
      type="number"
      min="1"
      max="24"
      placeholder="any"
      bind:value={players}
    /></label
  >
  <span>
    <label class="check"><input type="checkbox" bind:checked={alone} />No helpers needed</label>
    <label class="check"
      ><input type="checkbox" disabled={!serving?.length} bind:checked={needed} />For what holds us back</label
    >
  </span>
</form>
<p class="soft" role="status">{shown.length} of {drills.length} drills</p>
{#if shown.length === 0}
  <p>No drill fits all of that. Take one of the filters back.</p>
{/if}
<ul class="quiet-list list">
  {#each shown as d (d.id)}
    <li class="sheet">
      <a href={`/${team}/drills/${d.id}`}>
        <Ladder stages={d.stages} />
        <div>
          <h2>
            {d.name}{#if isOwn(d)}
              <span class="soft own">ours</span>{/if}
          </h2>
          <p class="about">{d.about}</p>
          <p class="soft facts">
            {#if screenOf(d)}<Sketch sketch={screenOf(d)?.sketch ?? null} size={54} />{/if}
            <span
              >{screenOf(d)?.name ?? 'Skill'} · from {least(d)}
              {least(d) === 1 ? 'player' : 'players'} · {Math.round(d.stages[0]?.seconds ?? 0)} s a rep{helped(
                d
              )
                ? ' · helper'
                : ''}</span
            >
          </p>
        </div>
      </a>
    </li>
  {/each}
</ul>

<style>
  .head {
    display: flex;
    gap: 1rem;
    align-items: baseline;
    flex-wrap: wrap;
  }
  .acts {
    margin-left: auto;
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem;
  }
  .own {
    font-size: 0.95rem;
    font-weight: 400;
  }
  .filters {
    display: grid;
    grid-template-columns: 1.4fr 1.4fr 1.2fr 0.8fr auto;
    gap: 0.75rem;
    align-items: end;
    margin: 0.75rem 0 0.5rem;
  }
  .check {
    white-space: nowrap;
  }
  .list {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(25rem, 1fr));
    gap: 1rem;
    margin-top: 0.75rem;
  }
  .list a {
    display: grid;
    grid-template-columns: auto 1fr;
    gap: 1rem;
    padding: 0.9rem 1rem;
    height: 100%;
    text-decoration: none;
  }
  .list a:hover h2 {
    text-decoration: underline;
  }
  h2 {
    font-size: 1.3rem;
  }
  .about {
    font-size: 0.98rem;
    line-height: 1.3;
  }
  .facts {
    display: flex;
    align-items: center;
    gap: 0.6rem;
    margin-top: 0.4rem;
    font-size: 0.92rem;
  }
  @media (max-width: 900px) {
    .filters {
      grid-template-columns: 1fr 1fr;
    }
    .list {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
