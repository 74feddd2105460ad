<script lang="ts">
  import { page } from '$app/state';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import { verdictName } from '$lib/parts/verdicts';
  import Bar from '$lib/review/Bar.svelte';
  import Effort from '$lib/review/Effort.svelte';
  import InWords from '$lib/review/InWords.svelte';
  import Note from '$lib/review/Note.svelte';
  import { session } from '$lib/state/session.svelte';
  import Button from '$lib/ui/Button.svelte';
  import { longDayOf } from '$lib/state/teamclock';

  // The minute after a practice: what it came to, how hard it was, and a note.
  let { data } = $props();

  const team = page.params.team ?? '';
  const path = { teamId: team, practiceId: page.params.practice ?? '' };
  const view = $derived(data.view);
  const r = $derived(view.review);
  const reps = $derived(r.blocks.reduce((sum, b) => sum + b.reps, 0));
  const correct = $derived(r.blocks.reduce((sum, b) => sum + b.correct, 0));
  const most = $derived(Math.max(1, ...r.players.map((p) => p.reps)));
  const longest = $derived(Math.max(1, ...r.blocks.map((b) => Math.max(b.planned, b.ran))));
  const who = (id: string) => view.players.find((p) => p.id === id);
  const turns = $derived(view.turns.toSorted((a, b) => Number(b.is === 'has') - Number(a.is === 'has')));
  const fewest = $derived(r.players.filter((p) => p.reps === r.players[0]?.reps));
  const line = 'grid min-h-9 items-center gap-3 leading-tight print:min-h-6';
</script>

{#if r}
  <div class="page-head">
    <h1>{longDayOf(view.startsAt)}: {view.status === 'done' ? 'what it came to' : 'so far'}</h1>
    {#if session.coach}
      <Button href={`/${team}/run/${path.practiceId}`}>Back to practice</Button>
    {/if}
    <Button href={`/${team}/squad`}>Open the squad</Button>
  </div>
  <InWords words={view.words} />
  <div
    class="grid items-start gap-4 md:grid-cols-2 print:block print:columns-2 print:text-xs [&>section]:print:mb-2"
  >
    {#if session.coach}<Effort {path} {view} />{/if}
    {#if r.dropped.length > 0}
      <section class="sheet p-4">
        <h2 class="mb-2">Left for the next practice</h2>
        <ul class="mb-3 list-disc pl-5">
          {#each r.dropped as b (b.id)}<li>{b.title}, <span class="numeral">{b.minutes}</span> min</li>{/each}
        </ul>
        {#if view.next && session.coach}
          <Button href={`/${team}/plan/${view.next.id}?carry=1`}
            >Carry over to {longDayOf(view.next.startsAt)}</Button
          >
        {:else}
          <p class="soft">They are offered when the next practice is planned.</p>
        {/if}
      </section>
    {/if}
    <section class="sheet p-4">
      <h2 class="mb-2">
        <b class="numeral text-3xl leading-none">{reps}</b> reps,
        <b class="numeral text-3xl leading-none">{correct}</b> correct
      </h2>
      <ol class="quiet-list">
        {#each r.blocks as b (b.id)}
          <li
            class={`${line} grid-cols-[minmax(0,1fr)_20%_5.5rem_4rem] md:grid-cols-[minmax(0,1fr)_30%_6rem_4.5rem]`}
          >
            <span>{b.title}</span>
            <Bar whole={b.planned} part={b.ran} most={longest} />
            <span class="numeral soft"
              ><span class="visually-hidden">ran</span>{Math.round(b.ran)} of {Math.round(b.planned)} min</span
            >
            <span class="numeral text-right">{b.reps > 0 ? `${b.correct} of ${b.reps}` : ''}</span>
          </li>
        {/each}
      </ol>
    </section>
    <section class="sheet p-4">
      <h2 class="mb-2">Reps each</h2>
      {#if reps > 0 && fewest.length < 4}
        <p class="soft">Fewest: {fewest.map((p) => who(p.player)?.name).join(', ')}.</p>
      {/if}
      <ul class="quiet-list">
        {#each r.players as p (p.player)}
          <li class={`${line} grid-cols-[2rem_5rem_minmax(0,1fr)_4.5rem]`}>
            <b class="numeral">{who(p.player)?.jersey}</b>
            <span>{who(p.player)?.name}</span>
            <Bar whole={p.reps} part={p.correct} {most} />
            <span class="numeral text-right"
              ><span class="visually-hidden">correct </span>{p.correct} of {p.reps}</span
            >
          </li>
        {/each}
      </ul>
    </section>
    <section class="sheet p-4 print:break-inside-auto!">
      <h2 class="mb-2 print:break-after-avoid">Verdicts that changed</h2>
      {#each turns as t (t.player + t.role + t.read)}
        <p class="flex min-h-10 items-center gap-3 leading-tight print:min-h-6 print:break-inside-avoid">
          <ReadGlyph read={t.read} size={30} />
          <span
            ><b>{who(t.player)?.name}</b>, {session.readName(t.read).toLowerCase()}: {verdictName(t.was)}, now
            <b>{verdictName(t.is)}</b></span
          >
        </p>
      {:else}
        <p class="soft">None. That usually takes more than one practice.</p>
      {/each}
    </section>
    {#if session.coach}<Note {path} note={view.note} />{/if}
  </div>
{/if}
