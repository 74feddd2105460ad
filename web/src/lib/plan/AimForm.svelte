<script lang="ts">
  import { page } from '$app/state';
  import { session } from '$lib/state/session.svelte';
  import { plus, weekdayNames } from './days';
  import type { SeasonDraft } from './season.svelte';

  // What the weeks ahead are for: days, situations in order, games.
  let { draft }: { draft: SeasonDraft } = $props();

  const aim = $derived(draft.aim);
  const order = [1, 2, 3, 4, 5, 6, 0]; // Monday first
  const toggled = <T,>(list: T[], x: T) => (list.includes(x) ? list.filter((y) => y !== x) : [...list, x]);
  const out = $derived(session.leftOut(page.params.team ?? '')?.actions ?? []);
  const rest = $derived(
    session.catalogue?.screens.filter((s) => !aim.install.includes(s.id) && !out.includes(s.id)) ?? []
  );
  const week = 7;

  function add(e: Event) {
    const field = e.currentTarget as HTMLSelectElement;
    if (field.value) draft.change({ install: [...aim.install, field.value] });
    field.value = '';
  }
  function addGame() {
    const last = aim.games.at(-1)?.date ?? draft.plan.days[0]?.date ?? aim.until;
    draft.change({ games: [...aim.games, { date: plus(last, week), needs: aim.install.slice(0, 1) }] });
  }
</script>

<div class="aim no-print">
  <section class="sheet" aria-label="Practices">
    <h2>Practices</h2>
    <div class="days" role="group" aria-label="Days of practice">
      {#each order as d (d)}
        <button
          class="tape plain"
          aria-pressed={aim.weekdays.includes(d)}
          onclick={() => draft.change({ weekdays: toggled(aim.weekdays, d) })}>{weekdayNames[d]}</button
        >
      {/each}
    </div>
    <div class="row">
      <label class="field"
        ><span>Until</span><input
          type="date"
          value={aim.until}
          onchange={(e) => draft.change({ until: e.currentTarget.value })}
        /></label
      >
      <label class="field"
        ><span>Situations a practice</span><input
          type="number"
          min="1"
          max="8"
          value={aim.perPractice}
          onchange={(e) => draft.change({ perPractice: Math.round(Number(e.currentTarget.value)) })}
        /></label
      >
    </div>
  </section>
  <section class="sheet" aria-label="What to teach">
    <h2>What to teach, the most important first</h2>
    {#if out.length}<p class="soft">
        Not offered at this age: {out.map((id) => session.screenName(id).toLowerCase()).join(', ')}. Settings
        can change that.
      </p>{/if}
    <ol class="quiet-list">
      {#each aim.install as id, i (id)}
        <li>
          <span class="numeral">{i + 1}</span>
          <span class="name">{session.screenName(id)}</span>
          <button
            class="tape plain min-w-11"
            aria-label={`${session.screenName(id)} earlier`}
            disabled={i === 0}
            onclick={() => draft.move(i, -1)}>↑</button
          >
          <button
            class="tape plain min-w-11"
            aria-label={`${session.screenName(id)} later`}
            disabled={i === aim.install.length - 1}
            onclick={() => draft.move(i, 1)}>↓</button
          >
          <button
            class="tape plain min-w-11"
            aria-label={`Leave ${session.screenName(id)} out`}
            onclick={() => draft.drop(id)}>×</button
          >
        </li>
      {/each}
    </ol>
    <select class="cell" aria-label="Add a situation" value="" onchange={add}>
      <option value="">+ Situation…</option>
      {#each rest as s (s.id)}<option value={s.id}>{s.name}</option>{/each}
    </select>
  </section>
  <section class="sheet" aria-label="Games">
    <h2>Games, and what should be live before them</h2>
    <ul class="quiet-list">
      {#each aim.games as g, i (i)}
        <li class="game">
          <input
            class="cell"
            type="date"
            aria-label={`Day of game ${i + 1}`}
            value={g.date}
            onchange={(e) => draft.changeGame(i, { date: e.currentTarget.value })}
          />
          <button
            class="tape plain min-w-11"
            aria-label={`Take game ${i + 1} away`}
            onclick={() => draft.change({ games: aim.games.filter((_, k) => k !== i) })}>×</button
          >
          <div class="needs" role="group" aria-label={`Game ${i + 1} needs`}>
            {#each aim.install as id (id)}
              <button
                class="tape plain"
                aria-pressed={g.needs.includes(id)}
                onclick={() => draft.changeGame(i, { needs: toggled(g.needs, id) })}
                >{session.screenName(id)}</button
              >
            {/each}
          </div>
        </li>
      {/each}
    </ul>
    <button class="tape plain" onclick={addGame}>+ Game</button>
  </section>
</div>

<style>
  .aim {
    display: grid;
    grid-template-columns: repeat(3, minmax(0, 1fr));
    gap: 1rem;
    align-items: start;
    margin-top: 1.25rem;
  }
  section {
    display: grid;
    gap: 0.6rem;
    padding: 0.9rem 1rem;
  }
  .days {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(44px, 1fr));
    gap: 0.25rem;
  }
  .days .tape {
    padding: 0;
  }
  .tape {
    font-weight: 400;
    padding: 0 0.7rem;
  }
  .row {
    display: grid;
    grid-template-columns: 1.3fr 1fr;
    gap: 0.75rem;
  }
  li {
    display: flex;
    align-items: center;
    gap: 0.35rem;
    padding: 0.1rem 0;
  }
  .name {
    flex: 1;
    line-height: 1.15;
  }
  li > .numeral {
    min-width: 1.2rem;
  }
  .game {
    flex-wrap: wrap;
    padding-bottom: 0.6rem;
  }
  .game .cell {
    flex: 1;
    min-width: 8rem;
  }
  .needs {
    display: flex;
    flex-wrap: wrap;
    gap: 0.25rem;
    width: 100%;
  }
  @media (max-width: 1000px) {
    .aim {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
