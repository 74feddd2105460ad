<script lang="ts">
  import type { Player, Schemas } from '$lib/api/client';
  import { session } from '$lib/state/session.svelte';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import RateBar from './RateBar.svelte';

  type Five = Schemas['Five'];

  // The fives that answer most, with what they come from.
  let { found, players }: { found: Schemas['Lineups']; players: Player[] } = $props();

  const who = (id: string) => players.find((p) => p.id === id);
  const of100 = (x: number) => Math.round(100 * x);
  const parts = (f: Five, id: string) =>
    [
      f.handler === id && 'handles it',
      f.screener === id && 'screens',
      f.roller === id && 'rolls',
      f.popper === id && 'pops'
    ].filter(Boolean);
  const top = $derived(found.fives[0]!);
</script>

<section aria-label="Line-ups" class="grid gap-3 min-w-0">
  <p class="soft">
    <b class="numeral">{found.compared.toLocaleString()}</b> fives were compared.
    {#if top.first < 0.5}The first ones are close: with what the records allow, the first is the best of those
      below in {of100(top.first)} of 100 cases.{:else}With what the records allow, the first is the best of
      those below in
      {of100(top.first)} of 100 cases.{/if}
  </p>
  {#each found.fives as f, i (f.players.join())}
    <article
      class="sheet py-2 px-4 min-w-0 [&.best]:border-l-10 [&.best]:border-l-mark"
      class:best={i === 0}
      aria-label={`Line-up ${i + 1}`}
    >
      <div class="grid grid-cols-[minmax(0,_1fr)_12rem] gap-4 items-center max-sm:grid-cols-[minmax(0,_1fr)]">
        <ol
          class="quiet-list grid grid-cols-[repeat(5,_minmax(0,_1fr))] gap-2 max-sm:grid-cols-[minmax(0,_1fr)]"
        >
          {#each f.players as id (id)}
            <li class="flex gap-2 items-start leading-[1.15]">
              <span class="numeral text-2xl leading-none">{who(id)?.jersey}</span>
              <span
                ><b>{who(id)?.name}</b>
                {#each parts(f, id) as part (part)}<small class="block text-soft">{part}</small>{/each}</span
              >
            </li>
          {/each}
        </ol>
        <div class="score">
          <b class="numeral text-2xl leading-none mr-2">{of100(f.score)}</b><span class="soft"
            >of 100 answered</span
          >
          <RateBar rate={f.score} low={f.interval.low} high={f.interval.high} />
          <small class="soft block text-xs">
            between {of100(f.interval.low)} and {of100(f.interval.high)}
          </small>
        </div>
      </div>
      {#if f.note}<p class="warn">{f.note}</p>{/if}
      <details class="overflow-x-auto">
        <summary class="cursor-pointer min-h-11 pt-2">The arithmetic</summary>
        <table class="border-collapse w-full text-sm">
          <thead>
            <tr
              ><th class="text-left font-normal text-soft whitespace-nowrap pt-1 pr-3 pb-1 pl-0">Situation</th
              ><th class="text-left font-normal text-soft whitespace-nowrap pt-1 pr-3 pb-1 pl-0">They show</th
              ><th class="text-left font-normal text-soft whitespace-nowrap pt-1 pr-3 pb-1 pl-0">Of 100</th
              ><th class="text-left font-normal text-soft whitespace-nowrap pt-1 pr-3 pb-1 pl-0">Reads</th><th
                class="text-left font-normal text-soft whitespace-nowrap pt-1 pr-3 pb-1 pl-0">Who</th
              ><th class="text-left font-normal text-soft whitespace-nowrap pt-1 pr-3 pb-1 pl-0">Right</th><th
                class="text-left font-normal text-soft whitespace-nowrap pt-1 pr-3 pb-1 pl-0">Both right</th
              ><th class="text-left font-normal text-soft whitespace-nowrap pt-1 pr-3 pb-1 pl-0">Answered</th
              ></tr
            >
          </thead>
          <tbody>
            {#each f.lines.filter((l) => l.share > 0.0005) as l (l.screen + l.cue)}
              <tr>
                <td class="pt-1 pr-3 pb-1 pl-0 border-t border-t-seam whitespace-nowrap"
                  >{session.screenName(l.screen)}</td
                >
                <td class="pt-1 pr-3 pb-1 pl-0 border-t border-t-seam whitespace-nowrap"
                  >{session.cueName(l.cue)}</td
                >
                <td class="numeral pt-1 pr-3 pb-1 pl-0 border-t border-t-seam whitespace-nowrap"
                  >{(100 * l.share).toFixed(1)}</td
                >
                <td
                  class="reads pt-1 pr-3 pb-1 pl-0 border-t border-t-seam whitespace-nowrap flex items-center gap-1"
                  >{#each l.reads as r, k (k)}<ReadGlyph read={r} size={22} />{session.readName(r)}
                  {/each}</td
                >
                <td class="pt-1 pr-3 pb-1 pl-0 border-t border-t-seam whitespace-nowrap"
                  >{l.user ? `${who(l.user)?.name}, ${who(l.screener)?.name}` : 'any two of the five'}</td
                >
                <td class="numeral pt-1 pr-3 pb-1 pl-0 border-t border-t-seam whitespace-nowrap"
                  >{of100(l.userRate)} · {of100(l.screenerRate)}</td
                >
                <td class="numeral pt-1 pr-3 pb-1 pl-0 border-t border-t-seam whitespace-nowrap"
                  >{of100(l.both)}</td
                >
                <td class="numeral pt-1 pr-3 pb-1 pl-0 border-t border-t-seam whitespace-nowrap"
                  >{(100 * l.share * l.both).toFixed(1)}</td
                >
              </tr>
            {/each}
          </tbody>
        </table>
        <p class="soft">
          “Answered” adds up to the {of100(f.score)} above. Off the ball anybody may be in the screen, so it is
          the mean over every two of the five.
        </p>
      </details>
    </article>
  {/each}
</section>

{#if found.stints.length > 0}
  <section class="sheet py-3 px-4 min-w-0" aria-labelledby="stints">
    <h2 id="stints">The minutes shared out</h2>
    <p class="soft">
      Answers <b class="numeral">{of100(found.share)}</b> of 100 on average. Nobody runs more than two stints in
      a row where the minutes allow it.
    </p>
    <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
    <div class="scroll overflow-x-auto" role="region" tabindex="0" aria-label="Minutes, scrolls">
      <table class="border-collapse w-full text-sm">
        <thead>
          <tr
            ><th class="text-left font-normal text-soft whitespace-nowrap pt-1 pr-3 pb-1 pl-0">Player</th
            >{#each found.stints as s, i (i)}<th
                class="numeral text-left font-normal text-soft whitespace-nowrap pt-1 pr-3 pb-1 pl-0"
                >{Math.round(s.start)}′</th
              >{/each}<th class="text-left font-normal text-soft whitespace-nowrap pt-1 pr-3 pb-1 pl-0"
              >Minutes</th
            ></tr
          >
        </thead>
        <tbody>
          {#each players.filter((p) => found.stints.some((s) => s.players.includes(p.id))) as p (p.id)}
            <tr>
              <td
                class="pt-1 pr-3 pb-1 pl-0 border-t border-t-seam whitespace-nowrap not-first:not-last:border-2 not-first:not-last:border-sheet not-first:not-last:bg-floor not-first:not-last:min-w-[2.6rem]"
                ><span class="numeral">{p.jersey}</span> {p.name}</td
              >
              {#each found.stints as s, i (i)}
                {@const on = s.players.includes(p.id)}
                <td
                  class="pt-1 pr-3 pb-1 pl-0 border-t border-t-seam whitespace-nowrap not-first:not-last:border-2 not-first:not-last:border-sheet not-first:not-last:bg-floor not-first:not-last:min-w-[2.6rem] [&.on]:not-first:bg-ink"
                  class:on><span class="visually-hidden">{on ? 'plays' : 'rests'}</span></td
                >
              {/each}
              <td
                class="numeral pt-1 pr-3 pb-1 pl-0 border-t border-t-seam whitespace-nowrap not-first:not-last:border-2 not-first:not-last:border-sheet not-first:not-last:bg-floor not-first:not-last:min-w-[2.6rem]"
                >{Math.round(
                  found.stints.filter((s) => s.players.includes(p.id)).reduce((m, s) => m + s.minutes, 0)
                )}</td
              >
            </tr>
          {/each}
        </tbody>
      </table>
    </div>
  </section>
{/if}
