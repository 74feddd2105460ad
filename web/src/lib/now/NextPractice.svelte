<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import { tapeOf } from '$lib/parts/glyphs';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import { dayOf, hourOf } from '$lib/state/teamclock';
  import { session } from '$lib/state/session.svelte';
  import Button from '$lib/ui/Button.svelte';
  import Note from '$lib/ui/Note.svelte';

  // What is next, what it is for, and the one thing.
  let { team, now }: { team: string; now: Schemas['Now'] } = $props();

  const p = $derived(now.next);
  const shown = 3;
  /** A read once, however many parts of it the practice has. */
  const goals = $derived(
    (p?.sheet.goals ?? [])
      .filter((g, i, all) => all.findIndex((x) => x.read === g.read) === i)
      .slice(0, shown)
  );
  const names = $derived(goals.map((g) => session.readName(g.read).toLowerCase()));
  const list = $derived(
    names.length > 1 ? `${names.slice(0, -1).join(', ')} and ${names.at(-1)}` : (names[0] ?? '')
  );
  const has = (read: string) => now.holds.find((h) => h.read === read)?.has;
  const worst = $derived(now.holds[0]);
</script>

<section class="sheet border-t-8 border-t-mark p-4 md:p-6" aria-labelledby="next">
  {#if p}
    <p class="text-soft">{p.status === 'open' ? 'Running now' : 'Next practice'}</p>
    <h1 id="next" class="leading-tight">
      {dayOf(p.startsAt)} <span class="numeral">{hourOf(p.startsAt)}</span>
    </h1>
    <p class="mt-1 text-lg">
      <span class="numeral">{p.minutes}</span> min{list ? ':' : ''}
      <b>{list}</b>
      <span class="text-soft"> · <span class="numeral">{p.present.length}</span> players</span>
    </p>
    {#if goals.length}
      <ul class="m-0 mt-4 grid list-none gap-3 p-0" aria-label="Goals">
        {#each goals as g (g.read)}
          {@const of = g.players.length || 1}
          {@const done = has(g.read)}
          <li class="grid grid-cols-[2.5rem_1fr] items-center gap-x-3" style:--tape={tapeOf(g.read)}>
            <ReadGlyph read={g.read} size={36} />
            <div>
              <p class="flex flex-wrap justify-between gap-x-3">
                <b>{session.readName(g.read)}</b>
                <span class="text-sm text-soft">
                  {#if done !== undefined}<b class="numeral text-ink">{done}</b> have it ·{/if}
                  <b class="numeral text-ink">{g.moves.length}</b> of
                  <b class="numeral text-ink">{g.players.length}</b> move forward
                </span>
              </p>
              <div class="mt-1 h-2 bg-seam" aria-hidden="true">
                <div class="h-full bg-(--tape)" style:width={`${(100 * g.moves.length) / of}%`}></div>
              </div>
            </div>
          </li>
        {/each}
      </ul>
    {/if}
    {#if now.suggestion}
      <div class="mt-4 flex flex-wrap items-center gap-3 border-l-8 border-mark pl-3">
        <p class="min-w-56 flex-1"><b>One thing:</b> {now.suggestion.reason}</p>
        {#if session.coach}
          <Button href={`/${team}/plan/${p.id}?focus=${now.suggestion.read}`}>Make it a goal</Button>
        {/if}
      </div>
    {:else if worst}
      <div class="mt-4 flex flex-wrap items-center gap-3 border-l-8 border-mark pl-3">
        <p class="min-w-56 flex-1">
          <b>One thing:</b>
          {session.readName(worst.read).toLowerCase()}. <span class="numeral">{worst.notYet.length}</span> do not
          have it yet.
        </p>
        <Button href={`/${team}/teach?read=${worst.read}`}>Teach it</Button>
      </div>
    {/if}
    {#each p.sheet.warnings.slice(0, 2) as w (w.block + w.text)}<Note warn class="mt-3">{w.text}</Note>{/each}
    <div class="mt-4 flex flex-wrap gap-3">
      {#if session.coach}
        <Button main href={`/${team}/run/${p.id}`}
          >{p.status === 'open' ? 'Back to practice' : 'Start practice'}</Button
        >
      {/if}
      <Button href={`/${team}/plan/${p.id}`}>{session.coach ? 'Change the plan' : 'Look at the plan'}</Button>
    </div>
  {:else}
    <h1 id="next">No practice is planned</h1>
    {#if session.coach}
      <p class="my-3">Plan one and its run sheet stands here.</p>
      <Button main href={`/${team}/plan`}>Plan a practice</Button>
    {/if}
  {/if}
</section>
