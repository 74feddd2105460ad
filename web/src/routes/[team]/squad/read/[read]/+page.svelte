<script lang="ts">
  import { onMount } from 'svelte';
  import { page } from '$app/state';
  import { api, ask, type Schemas } from '$lib/api/client';
  import Curve from '$lib/squad/Curve.svelte';
  import IntervalCell from '$lib/parts/IntervalCell.svelte';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import { tapeOf } from '$lib/parts/glyphs';
  import { session } from '$lib/state/session.svelte';

  // One read: who has it, what is made in its place, and what to do about it.
  const team = page.params.team ?? '';
  const read = page.params.read ?? '';
  let view = $state.raw<Schemas['ReadPage'] | null>(null);
  let failed = $state('');

  onMount(async () => {
    try {
      view = await ask(
        api.GET('/api/teams/{teamId}/reads/{read}', { params: { path: { teamId: team, read } } })
      );
    } catch (e) {
      failed = e instanceof Error ? e.message : String(e);
    }
  });

  const who = (id: string) => view?.players.find((p) => p.id === id);
  const name = (id: string) => who(id)?.name ?? '';
  const wrong = $derived(view?.confusion.made.filter((m) => m.made !== read) ?? []);
  const right = $derived(view?.confusion.made.find((m) => m.made === read)?.count ?? 0);
  const has = $derived(view?.standings.filter((s) => s.judgement.verdict === 'has').length ?? 0);
  const per = (n: number, of: number) => (of > 0 ? `${Math.round((100 * n) / of)} %` : '');
</script>

{#if failed}
  <h1>No such read</h1>
  <p class="my-4">{failed}</p>
  <a class="tape" href={`/${team}/squad`}>Open the squad</a>
{:else if !view}
  <p role="status" class="soft">Loading read…</p>
{:else}
  <div class="page-head" style:--tape={tapeOf(read)}>
    <ReadGlyph {read} size={64} />
    <div class="title">
      <h1>{session.readName(read)}</h1>
      <p class="soft">
        <b class="numeral">{has}</b> of <b class="numeral">{view.standings.length}</b> have it;
        <b class="numeral">{right}</b> of <b class="numeral">{view.confusion.reps}</b> correct on rungs where players
        read
      </p>
    </div>
    <a class="tape plain" href={`/${team}/squad`}>To the board</a>
  </div>
  <div class="sheets">
    <section class="sheet">
      <h2>Who, most in need first</h2>
      <ul class="quiet-list people">
        {#each view.standings as s (s.player)}
          <li>
            <a href={`/${team}/squad/${s.player}?read=${read}`}>
              <b class="numeral">{who(s.player)?.jersey}</b>
              <span class="name">{name(s.player)}</span>
              <IntervalCell standing={s} width={110} />
              <span class="numeral held">{s.held || ''}</span>
              <span class="soft">{s.judgement.sentence}</span>
            </a>
          </li>
        {/each}
      </ul>
    </section>
    <div class="side">
      <section class="sheet">
        <h2>What they do instead</h2>
        {#each wrong as m (m.made)}
          <div class="instead">
            <ReadGlyph read={m.made} size={34} />
            <span>
              <b>{m.made ? session.readName(m.made) : 'No read'}</b>
              <span class="numeral">{m.count}</span>
              <span class="soft">{per(m.count, view.confusion.reps)}</span>
              <small class="soft">{m.players.slice(0, 4).map(name).join(', ')}</small>
            </span>
            <span class="bar" aria-hidden="true"
              ><i style:width={`${(100 * m.count) / view.confusion.reps}%`}></i></span
            >
          </div>
        {:else}
          <p class="soft">
            {view.confusion.reps === 0
              ? 'Nobody has been asked for it yet.'
              : 'Nothing: every rep was correct.'}
          </p>
        {/each}
      </section>
      <section class="sheet">
        <h2>What to do about it</h2>
        {#each view.tags.slice(0, 3) as c (c.id)}
          <p class="count">
            <span>{session.tag(c.id)}</span>
            <span
              ><b class="numeral">{c.count}</b>
              <span class="soft">{c.perHundred.toFixed(0)} per 100</span></span
            >
          </p>
        {/each}
        <p class="drills">
          {#each view.drills.slice(0, 4) as d (d)}
            <a class="tape plain" href={`/${team}/drills/${d}`}>{session.drill(d)?.name ?? d}</a>
          {:else}
            <span class="soft">No drill in the catalogue asks for it.</span>
          {/each}
        </p>
      </section>
      <section class="sheet">
        <h2>Week by week</h2>
        {#if view.curve.length > 1}<Curve
            points={view.curve}
            target={view.standings[0]?.judgement.target ?? 0}
          />
        {:else}<p class="soft">One week so far: a line needs two.</p>{/if}
        {#if view.kept.reps > 0}
          <p class="soft">
            Besides, <b class="numeral">{view.kept.correct}</b> of <b class="numeral">{view.kept.reps}</b> reps
            were correct that nobody's name is kept of: players who were erased, and reps from before the program
            keeps them.
          </p>
        {/if}
      </section>
      {#if view.pairs.length > 0}
        <section class="sheet">
          <h2>Who with whom</h2>
          {#each view.pairs.slice(0, 3) as p (p.cutter + p.screener)}
            <p class="count">
              <span><b>{name(p.cutter)}</b> off <b>{name(p.screener)}</b></span>
              <span class="numeral">{p.both} of {p.reps} <span class="soft">both correct</span></span>
            </p>
          {/each}
        </section>
      {/if}
    </div>
  </div>
{/if}

<style>
  .page-head {
    border-left: 10px solid var(--tape);
    padding-left: 1rem;
  }
  .title {
    flex: 1 1 13rem;
  }
  .sheets {
    display: grid;
    grid-template-columns: minmax(0, 1.35fr) minmax(0, 1fr);
    gap: 1rem;
    align-items: start;
  }
  .side {
    display: grid;
    gap: 1rem;
  }
  section {
    padding: 0.9rem 1.1rem;
  }
  h2 {
    margin-bottom: 0.5rem;
  }
  .people a {
    display: grid;
    grid-template-columns: 2.2rem 5.5rem 110px 1.5rem minmax(0, 1fr);
    gap: 0.6rem;
    align-items: center;
    min-height: 48px;
    border-top: 1px solid var(--seam);
    text-decoration: none;
    line-height: 1.2;
    font-size: 0.95rem;
  }
  .people a:hover {
    background: color-mix(in srgb, var(--mark) 16%, transparent);
  }
  .people .numeral {
    font-size: 1.3rem;
  }
  .name {
    font-weight: 700;
  }
  .held {
    text-align: center;
  }
  .instead {
    display: grid;
    grid-template-columns: auto minmax(0, 1fr) 28%;
    gap: 0.7rem;
    align-items: center;
    min-height: 48px;
  }
  .instead small {
    display: block;
  }
  .bar {
    height: 12px;
    border: 1px solid var(--seam);
  }
  .bar i {
    display: block;
    height: 100%;
    background: var(--tape-orange);
  }
  .count {
    display: flex;
    justify-content: space-between;
    gap: 1rem;
    padding: 0.25rem 0;
  }
  .drills {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem;
    margin-top: 0.6rem;
  }
  @media (max-width: 760px) {
    .sheets {
      grid-template-columns: minmax(0, 1fr);
    }
    .people a {
      grid-template-columns: 2.2rem minmax(0, 1fr) 110px 1.5rem;
    }
    .people a > .soft {
      grid-column: 2 / -1;
      padding-bottom: 0.4rem;
    }
  }
</style>
