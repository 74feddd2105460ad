<script lang="ts">
  import { page } from '$app/state';
  import { session } from '$lib/state/session.svelte';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import QuizAnswers from '$lib/squad/QuizAnswers.svelte';
  import StandingRow from '$lib/squad/StandingRow.svelte';

  let { data } = $props();
  import { dayOf } from '$lib/state/teamclock';
  import Button from '$lib/ui/Button.svelte';

  const team = page.params.team ?? '';
  const card = $derived(data.card);
  const open = page.url.searchParams.get('read');
</script>

<header class="flex flex-wrap gap-4 items-center mb-4">
  <span class="numeral jersey text-3xl leading-[0.9]">{card.player.jersey}</span>
  <div>
    <h1>{card.player.name}</h1>
    <p class="soft">
      {[
        card.player.handler && 'handler',
        card.player.wing && 'wing',
        card.player.big && 'big',
        card.player.shooter && 'shooter'
      ]
        .filter(Boolean)
        .join(', ')}
    </p>
  </div>
  <Button class="ml-auto" href={`/${team}/squad/${card.player.id}/words`}>Print for the player</Button>
  <Button href={`/${team}/squad`}>Open the squad</Button>
</header>
<div
  class="card grid grid-cols-[minmax(0,_1.6fr)_minmax(18rem,_1fr)] gap-4 items-start max-md:grid-cols-[minmax(0,_1fr)]"
>
  <div class="grid grid-cols-[minmax(0,1fr)] gap-5">
    {#each card.parts as part (part.role)}
      <section class="sheet">
        <h2 class="pt-3 pr-4 pb-2 pl-4">As {part.role}</h2>
        {#each part.standings as st (st.read)}
          <StandingRow standing={st} {team} open={st.read === open} />
        {/each}
      </section>
    {/each}
  </div>
  <div class="grid grid-cols-[minmax(0,1fr)] gap-5 content-start">
    <section class="sheet side pb-3">
      <h2 class="pt-3 pr-4 pb-2 pl-4">What to mend</h2>
      {#each card.tags as c (c.id)}
        <p class="count flex justify-between gap-3 py-[0.15rem] px-4">
          <span>{session.tag(c.id)}</span>
          <span
            ><b class="numeral">{c.count}</b>
            <span class="soft">{c.perHundred.toFixed(1)} per 100 reps</span></span
          >
        </p>
      {:else}<p class="soft py-[0.15rem] px-4">None noted.</p>{/each}
    </section>
    <QuizAnswers {team} player={card.player.id} />
    <section class="sheet side pb-3">
      <h2 class="pt-3 pr-4 pb-2 pl-4">Last reps</h2>
      <ol class="quiet-list">
        {#each card.recent as r (r.id)}
          <li class="py-[0.15rem] px-4 grid grid-cols-[6.2rem_1rem_1fr_auto_7rem] gap-2 items-center text-sm">
            <span class="soft">{dayOf(r.at)}</span>
            <span class="numeral">{session.rung(r.rung)?.number}</span>
            <span>{session.cueName(r.cue)}, {r.side}</span>
            <ReadGlyph read={r.made} size={24} />
            <span>{r.correct ? '✓' : '✕'} {session.readName(r.made)}</span>
          </li>
        {:else}<li
            class="soft py-[0.15rem] px-4 grid grid-cols-[6.2rem_1rem_1fr_auto_7rem] gap-2 items-center text-sm"
          >
            Nothing is logged yet.
          </li>{/each}
      </ol>
    </section>
  </div>
</div>
