<script lang="ts">
  import { onMount } from 'svelte';
  import { page } from '$app/state';
  import { api, ask, type Schemas } from '$lib/api/client';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import { verdictName } from '$lib/parts/verdicts';
  import { session } from '$lib/state/session.svelte';

  // The minute after a practice: what it came to, and a note.
  const team = page.params.team ?? '';
  const path = { teamId: team, practiceId: page.params.practice ?? '' };
  let view = $state.raw<Schemas['ReviewView'] | null>(null);
  let note = $state('');
  let kept = $state('');
  let problem = $state('');

  const say = (e: unknown) => (problem = e instanceof Error ? e.message : String(e));

  onMount(async () => {
    try {
      const v = await ask(api.GET('/api/teams/{teamId}/practices/{practiceId}/review', { params: { path } }));
      view = v;
      note = kept = v.note;
    } catch (e) {
      say(e);
    }
  });

  async function keep() {
    problem = '';
    try {
      await ask(
        api.PUT('/api/teams/{teamId}/practices/{practiceId}/review', {
          params: { path },
          body: { review: note }
        })
      );
      kept = note;
    } catch (e) {
      say(e);
    }
  }

  const r = $derived(view?.review);
  const reps = $derived(r?.blocks.reduce((sum, b) => sum + b.reps, 0) ?? 0);
  const right = $derived(r?.blocks.reduce((sum, b) => sum + b.correct, 0) ?? 0);
  const most = $derived(Math.max(1, ...(r?.players.map((p) => p.reps) ?? [])));
  const longest = $derived(Math.max(1, ...(r?.blocks.map((b) => Math.max(b.planned, b.ran)) ?? [])));
  const who = (id: string) => view?.players.find((p) => p.id === id);
  const day = (time: string) =>
    new Date(time).toLocaleDateString([], { weekday: 'long', day: 'numeric', month: 'long' });
  const times = (n: number) => (n === 1 ? 'once' : n === 2 ? 'twice' : `${n} times`);
  const better = $derived(view?.turns.filter((t) => t.is === 'has') ?? []);
  const others = $derived(view?.turns.filter((t) => t.is !== 'has') ?? []);
  const fewest = $derived(r?.players.filter((p) => p.reps === r.players[0]?.reps) ?? []);
</script>

{#if problem}<p role="alert" class="problem">{problem}</p>{/if}
{#if !view || !r}
  {#if !problem}<p role="status" class="soft">Adding the evening up…</p>{/if}
{:else}
  <div class="page-head">
    <h1>{day(view.startsAt)}: {view.status === 'done' ? 'what it came to' : 'so far'}</h1>
    {#if session.coach}
      <a class="tape plain" href={`/${team}/run/${path.practiceId}`}>Back to practice</a>
    {/if}
    <a class="tape plain" href={`/${team}/squad`}>Open the squad</a>
  </div>
  <div class="sheets">
    <section class="sheet">
      <h2>To talk about</h2>
      {#each r.wrong as w (w.expected + w.made)}
        <p class="turn">
          <ReadGlyph read={w.made} size={30} />
          <span
            ><b>{session.readName(w.made)}</b> where {session.readName(w.expected).toLowerCase()} was asked:
            {times(w.count)}</span
          >
        </p>
      {:else}
        <p class="soft">No wrong read was logged.</p>
      {/each}
      {#each r.tags as c (c.id)}
        <p>{session.tag(c.id)}: <span class="numeral">{c.count}</span></p>
      {/each}
      {#if r.dropped.length > 0}
        <h2 class="left">Left for the next practice</h2>
        <ul>
          {#each r.dropped as b (b.id)}<li>{b.title}, <span class="numeral">{b.minutes}</span> min</li>{/each}
        </ul>
        {#if view.next && session.coach}
          <a class="tape plain" href={`/${team}/plan/${view.next.id}?carry=1`}
            >Carry over to {day(view.next.startsAt)}</a
          >
        {:else}
          <p class="soft">They are offered when the next practice is planned.</p>
        {/if}
      {/if}
    </section>
    <section class="sheet">
      <h2>Verdicts that changed</h2>
      {#each [...better, ...others] as t (t.player + t.role + t.read)}
        <p class="turn">
          <ReadGlyph read={t.read} size={30} />
          <span
            ><b>{who(t.player)?.name}</b>, {session.readName(t.read).toLowerCase()}: {verdictName(t.was)}, now
            <b>{verdictName(t.is)}</b></span
          >
        </p>
      {:else}
        <p class="soft">None. One evening seldom settles a question.</p>
      {/each}
    </section>
    <section class="sheet">
      <h2>
        <b class="numeral big">{reps}</b> reps, <b class="numeral big">{right}</b> read right
      </h2>
      <ol class="quiet-list blocks">
        {#each r.blocks as b (b.id)}
          <li>
            <span>{b.title}</span>
            <span class="bar" aria-hidden="true">
              <i class="planned" style:width={`${(100 * b.planned) / longest}%`}></i>
              <i class="ran" style:width={`${(100 * b.ran) / longest}%`}></i>
            </span>
            <span class="numeral soft"
              ><span class="visually-hidden">ran</span>{Math.round(b.ran)} of {Math.round(b.planned)} min</span
            >
            <span class="numeral">{b.reps > 0 ? `${b.correct} of ${b.reps}` : ''}</span>
          </li>
        {/each}
      </ol>
    </section>
    <section class="sheet">
      <h2>Reps each</h2>
      {#if reps > 0 && fewest.length < 4}
        <p class="soft">Fewest: {fewest.map((p) => who(p.player)?.name).join(', ')}.</p>
      {/if}
      <ul class="quiet-list players">
        {#each r.players as p (p.player)}
          <li>
            <b class="numeral">{who(p.player)?.jersey}</b>
            <span>{who(p.player)?.name}</span>
            <span class="bar" aria-hidden="true">
              <i class="planned" style:width={`${(100 * p.reps) / most}%`}></i>
              <i class="ran" style:width={`${(100 * p.correct) / most}%`}></i>
            </span>
            <span class="numeral"><span class="visually-hidden">correct </span>{p.correct} of {p.reps}</span>
          </li>
        {/each}
      </ul>
    </section>
    {#if session.coach}<section class="sheet note">
        <h2>A note to yourself</h2>
        <label class="field">
          <span>What to do otherwise next time</span>
          <textarea rows="3" maxlength="2000" bind:value={note}></textarea>
        </label>
        <button class="tape" disabled={note === kept} onclick={keep}
          >{note === kept && note ? 'Kept' : 'Keep the note'}</button
        >
      </section>{/if}
  </div>
{/if}

<style>
  .sheets {
    display: grid;
    grid-template-columns: repeat(2, minmax(0, 1fr));
    gap: 1rem;
  }
  section {
    padding: 1rem 1.2rem;
  }
  h2 {
    margin-bottom: 0.6rem;
  }
  .big {
    font-size: 2.6rem;
    line-height: 1;
  }
  .blocks li,
  .players li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 30% 6.2rem 4.5rem;
    align-items: center;
    gap: 0.7rem;
    min-height: 34px;
    line-height: 1.15;
  }
  .players li {
    grid-template-columns: 2rem 5rem minmax(0, 1fr) 4.5rem;
  }
  li > :last-child {
    text-align: right;
  }
  .bar {
    position: relative;
    height: 14px;
  }
  .bar i {
    position: absolute;
    inset: 0 auto 0 0;
    border: 1px solid var(--line);
  }
  .bar .ran {
    background: var(--ink);
    border-color: var(--ink);
    inset-block: 3px;
  }
  .turn {
    display: flex;
    align-items: center;
    gap: 0.6rem;
    min-height: 40px;
    line-height: 1.2;
  }
  .left {
    margin-top: 1rem;
  }
  ul:not(.quiet-list) {
    list-style: disc;
    padding-left: 1.2rem;
    margin-bottom: 0.7rem;
  }
  .note {
    grid-column: 1 / -1;
    display: grid;
    gap: 0.7rem;
    justify-items: start;
  }
  .note .field {
    width: 100%;
  }
  @media (max-width: 760px) {
    .sheets {
      grid-template-columns: minmax(0, 1fr);
    }
    .blocks li {
      grid-template-columns: minmax(0, 1fr) 18% 5.6rem 4rem;
    }
  }
</style>
