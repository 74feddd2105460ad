<script lang="ts">
  import { page } from '$app/state';
  import Curve from '$lib/squad/Curve.svelte';
  import IntervalCell from '$lib/parts/IntervalCell.svelte';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import { tapeOf } from '$lib/parts/glyphs';
  import { session } from '$lib/state/session.svelte';
  import Button from '$lib/ui/Button.svelte';

  let { data } = $props();
  // One read: who has it, what is made in its place, and what to do about it.
  const team = page.params.team ?? '';
  const read = $derived(page.params.read ?? '');
  const view = $derived(data.view);

  const who = (id: string) => view.players.find((p) => p.id === id);
  const name = (id: string) => who(id)?.name ?? '';
  const wrong = $derived(view.confusion.made.filter((m) => m.made !== read) ?? []);
  const right = $derived(view.confusion.made.find((m) => m.made === read)?.count ?? 0);
  const has = $derived(view.standings.filter((s) => s.judgement.verdict === 'has').length ?? 0);
  const per = (n: number, of: number) => (of > 0 ? `${Math.round((100 * n) / of)}%` : '');
</script>

<div class="page-head border-l-10 border-l-(--tape) pl-4" style:--tape={tapeOf(read)}>
  <ReadGlyph {read} size={64} />
  <div class="title flex-[1_1_13rem]">
    <h1>{session.readName(read)}</h1>
    <p class="soft">
      <b class="numeral">{has}</b> of <b class="numeral">{view.standings.length}</b> have it;
      <b class="numeral">{right}</b> of <b class="numeral">{view.confusion.reps}</b> correct on rungs where players
      read
    </p>
  </div>
  <Button href={`/${team}/squad`}>To the board</Button>
</div>
<div
  class="grid grid-cols-[minmax(0,_1.35fr)_minmax(0,_1fr)] gap-4 items-start max-sm:grid-cols-[minmax(0,_1fr)]"
>
  <section class="sheet p-4">
    <h2 class="mb-2">Who, most in need first</h2>
    <ul class="quiet-list people">
      {#each view.standings as s (s.player)}
        <li>
          <a
            class="grid grid-cols-[2.2rem_5.5rem_110px_1.5rem_minmax(0,_1fr)] gap-2 items-center min-h-12 border-t border-t-seam no-underline leading-[1.2] text-sm max-sm:grid-cols-[2.2rem_minmax(0,_1fr)_110px_1.5rem] hover:bg-mark/16"
            href={`/${team}/squad/${s.player}?read=${read}`}
          >
            <b class="numeral text-lg">{who(s.player)?.jersey}</b>
            <span class="name font-bold">{name(s.player)}</span>
            <IntervalCell standing={s} width={110} />
            <span class="numeral held text-center text-lg">{s.held || ''}</span>
            <span class="soft max-sm:[grid-column:2_/_-1] max-sm:pb-2">{s.judgement.sentence}</span>
          </a>
        </li>
      {/each}
    </ul>
  </section>
  <div class="side grid gap-4">
    <section class="sheet p-4">
      <h2 class="mb-2">What they do instead</h2>
      {#each wrong as m (m.made)}
        <div class="grid grid-cols-[auto_minmax(0,_1fr)_28%] gap-3 items-center min-h-12">
          <ReadGlyph read={m.made} size={34} />
          <span>
            <b>{m.made ? session.readName(m.made) : 'No read'}</b>
            <span class="numeral">{m.count}</span>
            <span class="soft">{per(m.count, view.confusion.reps)}</span>
            <small class="soft block">{m.players.slice(0, 4).map(name).join(', ')}</small>
          </span>
          <span class="bar h-3 border border-seam" aria-hidden="true"
            ><i
              class="block h-full bg-(--tape-orange)"
              style:width={`${(100 * m.count) / view.confusion.reps}%`}
            ></i></span
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
    <section class="sheet p-4">
      <h2 class="mb-2">What to do about it</h2>
      {#each view.tags.slice(0, 3) as c (c.id)}
        <p class="count flex justify-between gap-4 py-1 px-0">
          <span>{session.tag(c.id)}</span>
          <span
            ><b class="numeral">{c.count}</b>
            <span class="soft">{c.perHundred.toFixed(0)} per 100</span></span
          >
        </p>
      {/each}
      <p class="drills flex flex-wrap gap-2 mt-2">
        {#each view.drills.slice(0, 4) as d (d)}
          <Button href={`/${team}/drills/${d}`}>{session.drill(d)?.name ?? d}</Button>
        {:else}
          <span class="soft">No drill in the catalogue asks for it.</span>
        {/each}
      </p>
    </section>
    <section class="sheet p-4">
      <h2 class="mb-2">Week by week</h2>
      {#if view.curve.length > 1}<Curve
          points={view.curve}
          target={view.standings[0]?.judgement.target ?? 0}
        />
      {:else}<p class="soft">One week so far: a line needs two.</p>{/if}
      {#if view.kept.reps > 0}
        <p class="soft">
          Besides, <b class="numeral">{view.kept.correct}</b> of <b class="numeral">{view.kept.reps}</b> reps were
          correct that nobody's name is kept of: players who were erased, and reps from before the program keeps
          them.
        </p>
      {/if}
    </section>
    {#if view.pairs.length > 0}
      <section class="sheet p-4">
        <h2 class="mb-2">Who with whom</h2>
        {#each view.pairs.slice(0, 3) as p (p.cutter + p.screener)}
          <p class="count flex justify-between gap-4 py-1 px-0">
            <span><b>{name(p.cutter)}</b> off <b>{name(p.screener)}</b></span>
            <span class="numeral">{p.both} of {p.reps} <span class="soft">both correct</span></span>
          </p>
        {/each}
      </section>
    {/if}
  </div>
</div>
