<script lang="ts">
  import { onMount } from 'svelte';
  import { page } from '$app/state';
  import { goto } from '$app/navigation';
  import { api, ask, type Schemas } from '$lib/api/client';
  import KeptNote from '$lib/parts/KeptNote.svelte';
  import NoAnswer from '$lib/parts/NoAnswer.svelte';
  import { datedOrKept } from '$lib/state/device';
  import { provision } from '$lib/state/provision';
  import { session } from '$lib/state/session.svelte';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import { tapeOf } from '$lib/parts/glyphs';
  import { dayOf, hourOf } from '$lib/parts/verdicts';

  const team = page.params.team ?? '';
  let now = $state.raw<Schemas['Now'] | null>(null);

  let since = $state<number>();
  let problem = $state('');
  let leave = () => {};

  async function load() {
    problem = '';
    try {
      const params = { path: { teamId: team } };
      const dated = await datedOrKept(`now ${team}`, ask(api.GET('/api/teams/{teamId}/now', { params })));
      now = dated.value;
      since = dated.since;
      if (since === undefined) leave = provision(team, now.next);
    } catch (e) {
      problem = e instanceof Error ? e.message : String(e);
    }
  }
  onMount(() => {
    void load();
    return () => leave();
  });

  const names = (ids: string[]) =>
    ids.map((id) => now?.players.find((p) => p.id === id)?.name ?? '?').join(', ');
  const lapsed = $derived(now?.lapsed ?? []);
  const shownLapsed = 6;
</script>

<KeptNote {since} onretry={load} />
{#if problem && !now}
  <NoAnswer title="No answer yet" {problem} onretry={load} oncancel={() => goto(`/${team}/run`)} />
{:else if !now}
  <p role="status" class="soft">Loading where the team stands…</p>
{:else if now.players.length === 0}
  <section class="sheet p-6 max-w-2xl">
    <h1>First, the roster</h1>
    <p class="my-3">
      A jersey number and a short name for each player is all that is kept. Type them in or import a file.
    </p>
    <a class="tape" href={`/${team}/squad`}>Open the squad</a>
  </section>
{:else}
  <div class="grid-now">
    <section class="sheet next" aria-labelledby="next">
      {#if now.next}
        {@const p = now.next}
        <p class="soft">{p.status === 'open' ? 'Running now' : 'Next practice'}</p>
        <h1 id="next">{dayOf(p.startsAt)} <span class="numeral">{hourOf(p.startsAt)}</span></h1>
        <p class="soft">
          <span class="numeral">{p.minutes}</span> min · <span class="numeral">{p.present.length}</span>
          players
        </p>
        <p class="font-bold">{p.sheet.moves}</p>
        <ol class="sheet-lines">
          {#each p.blocks as b, i (b.id)}
            {@const t = p.sheet.blocks[i]}
            <li class={b.kind} style:--minutes={b.minutes}>
              <span class="numeral at">{t?.start ?? 0}</span>
              <span class="what">
                {b.title}
                {#if b.kind === 'drill'}
                  <span class="soft"
                    >{session.drill(b.drill)?.stages.find((s) => s.id === b.stage)?.name}</span
                  >
                {/if}
              </span>
              <span class="numeral">{b.minutes}′</span>
            </li>
          {/each}
        </ol>
        {#each p.sheet.warnings.slice(0, 2) as w (w.block + w.text)}<p class="warn">{w.text}</p>{/each}
        <div class="flex gap-3 mt-4">
          {#if session.coach}
            <a class="tape" href={`/${team}/run/${p.id}`}
              >{p.status === 'open' ? 'Back to practice' : 'Start practice'}</a
            >
          {/if}
          <a class="tape plain" href={`/${team}/plan/${p.id}`}
            >{session.coach ? 'Change the plan' : 'Look at the plan'}</a
          >
        </div>
      {:else}
        <h1 id="next">No practice is planned</h1>
        {#if session.coach}
          <p class="my-3">Plan one and its run sheet stands here.</p>
          <a class="tape" href={`/${team}/plan`}>Plan a practice</a>
        {/if}
      {/if}
    </section>

    <section aria-labelledby="holds">
      {#if now.suggestion && now.next}
        <div class="sheet suggestion">
          <h2>One thing for the next practice</h2>
          <p><ReadGlyph read={now.suggestion.read} size={40} />{now.suggestion.reason}</p>
          {#if session.coach}
            <a class="tape" href={`/${team}/plan/${now.next.id}?focus=${now.suggestion.read}`}
              >Make it a goal</a
            >
          {/if}
        </div>
      {/if}
      <h2 id="holds">What holds the team back</h2>
      {#if now.holds.length === 0}
        <p class="soft mt-2">
          Nothing is logged yet. After the first drill with judged reps the reads stand here.
        </p>
      {/if}
      <ol class="quiet-list holds">
        {#each now.holds as h (h.read)}
          <li class="sheet" style:--tape={tapeOf(h.read)}>
            <ReadGlyph read={h.read} size={52} />
            <div>
              <h3>{session.readName(h.read)}</h3>
              {#if h.notYet.length}<p>
                  <b class="numeral">{h.notYet.length}</b> not yet: {names(h.notYet)}
                </p>{/if}
              {#if h.tooClose.length}
                <p class="soft">
                  <b class="numeral">{h.tooClose.length}</b> too close to call: {names(h.tooClose)}
                </p>
              {/if}
              {#if h.lapsed.length}<p class="soft">
                  <b class="numeral">{h.lapsed.length}</b> had it: {names(h.lapsed)}
                </p>{/if}
              {#if h.notEnough.length}
                <p class="soft">
                  <b class="numeral">{h.notEnough.length}</b> need reps: {names(h.notEnough)}
                </p>
              {/if}
              <p class="soft"><b class="numeral">{h.has}</b> have it</p>
            </div>
            <a class="teach" href={`/${team}/teach?read=${h.read}`}>Teach it</a>
          </li>
        {/each}
      </ol>
    </section>

    <section class="side" aria-label="This week">
      {#if now.game}
        <h2>Next game</h2>
        <p>
          <a href={`/${team}/games/${now.game.id}`}
            ><b>{now.game.away ? 'At' : 'Against'} {now.game.opponent}</b><br />{dayOf(now.game.startsAt)}
            <span class="numeral">{hourOf(now.game.startsAt)}</span></a
          >
        </p>
        {#if !now.game.known}<p class="soft small">
            What do they do on screens? Say it there, and plans are weighed by it.
          </p>{/if}
      {/if}
      <h2>This week</h2>
      <p>
        <b class="numeral big">{now.week.practices}</b> practices, <b class="numeral">{now.week.minutes}</b> min
        in seven days
      </p>
      <p class="soft small">
        {#if now.week.maxPractices}At most {now.week.maxPractices} a week for this age. Your own league's rule comes
          first.{/if}
      </p>
      {#if now.tags?.length}
        <h2>Most common this week</h2>
        <ol class="quiet-list counts">
          {#each now.tags.slice(0, 3) as c (c.id)}
            <li>{session.tag(c.id)} <span class="numeral">{c.count}</span></li>
          {/each}
        </ol>
      {/if}
      {#if lapsed.length}
        <h2>Had it, not seen lately</h2>
        <ul class="quiet-list">
          {#each lapsed.slice(0, shownLapsed) as s (s.player + s.read)}
            <li><ReadGlyph read={s.read} size={22} /> {names([s.player])}: {session.readName(s.read)}</li>
          {/each}
        </ul>
        {#if lapsed.length > shownLapsed}<p class="soft small">and {lapsed.length - shownLapsed} more</p>{/if}
      {/if}
    </section>
  </div>
{/if}

<style>
  .grid-now {
    display: grid;
    grid-template-columns: minmax(20rem, 1.15fr) minmax(18rem, 1fr) 15rem;
    gap: 1.5rem;
    align-items: start;
  }
  .next {
    padding: 1.25rem;
    border-top: 8px solid var(--mark);
  }
  .next h1 {
    font-size: 2rem;
  }
  .sheet-lines {
    list-style: none;
    margin: 0.9rem 0 0;
    padding: 0;
  }
  .sheet-lines li {
    display: grid;
    grid-template-columns: 2.2rem 1fr auto;
    gap: 0.6rem;
    padding: 0.1rem 0.5rem 0.1rem 0;
    min-height: calc(var(--minutes) * 0.21rem + 0.6rem);
    border-top: 1px solid var(--seam);
  }
  .sheet-lines li.drill .what {
    font-weight: 700;
    border-left: 6px solid var(--tape-blue);
    padding-left: 0.6rem;
  }
  .sheet-lines li.own .what,
  .sheet-lines li.water .what {
    border-left: 6px solid transparent;
    padding-left: 0.6rem;
  }
  .sheet-lines li.water {
    color: var(--tape-teal);
  }
  .sheet-lines .soft {
    font-weight: 400;
    display: block;
    font-size: 0.9rem;
  }
  .at {
    color: var(--ink-soft);
    text-align: right;
  }
  .holds {
    display: grid;
    gap: 0.75rem;
    margin-top: 0.75rem;
  }
  .holds li {
    display: grid;
    grid-template-columns: auto 1fr auto;
    gap: 0.9rem;
    padding: 0.8rem;
    border-left: 8px solid var(--tape);
  }
  .holds h3 {
    font-weight: 700;
    font-size: 1.15rem;
  }
  .holds p {
    font-size: 0.95rem;
  }
  .teach {
    align-self: start;
    padding: 0.6rem;
  }
  .suggestion {
    padding: 0.9rem 1rem;
    margin-bottom: 1.2rem;
    border-left: 10px solid var(--mark);
    display: grid;
    gap: 0.6rem;
    justify-items: start;
  }
  .suggestion p {
    display: flex;
    gap: 0.8rem;
    align-items: center;
  }
  .side {
    display: grid;
    gap: 0.5rem;
    align-content: start;
  }
  .side h2:not(:first-child) {
    margin-top: 1rem;
  }
  .side li {
    display: flex;
    align-items: center;
    gap: 0.4rem;
    flex-wrap: wrap;
    padding: 0.15rem 0;
  }
  .counts li {
    justify-content: space-between;
    flex-wrap: nowrap;
    border-bottom: 1px solid var(--seam);
  }
  .big {
    font-size: 2rem;
  }
  .small {
    font-size: 0.88rem;
  }
  @media (max-width: 1120px) {
    .grid-now {
      grid-template-columns: 1fr 1fr;
    }
    .side {
      grid-column: 1 / -1;
    }
  }
  @media (max-width: 760px) {
    .grid-now {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
