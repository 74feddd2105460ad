<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import { session } from '$lib/state/session.svelte';
  import CueGlyph from '$lib/parts/CueGlyph.svelte';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import RateBar from './RateBar.svelte';

  // Practice and the game side by side, and what goes into the next plan.
  let { view, team }: { view: Schemas['GameView']; team: string } = $props();

  const named = (ids: string[]) =>
    ids.map((id) => view.players.find((p) => p.id === id)?.name ?? 'a player who has left').join(', ');
  const seen = $derived(view.covered.filter((c) => c.seen > 0 || c.expected > 0));
  const short = $derived(view.compared.filter((c) => c.game.reps - c.game.correct > 1).slice(0, 3));
  const focus = $derived(short.map((c) => c.read).join(','));
</script>

<div
  class="after grid grid-cols-[minmax(0,_1.9fr)_minmax(16rem,_1fr)] gap-4 items-start max-md:grid-cols-[minmax(0,_1fr)]"
>
  <section class="sheet py-3 px-4 min-w-0 overflow-x-auto" aria-labelledby="compare">
    <h2 id="compare">Practice and this game</h2>
    <table class="w-full border-collapse mt-1 mr-0 mb-3 ml-0">
      <thead
        ><tr
          ><th class="text-left font-normal text-soft text-sm">Read</th><th
            class="text-left font-normal text-soft text-sm"
            colspan="2">Live in practice</th
          ><th class="text-left font-normal text-soft text-sm" colspan="2">In the game</th><th
            class="text-left font-normal text-soft text-sm"
          ></th></tr
        ></thead
      >
      <tbody>
        {#each view.compared as c (c.role + c.read)}
          <tr>
            <td class="border-t border-t-seam pt-1 pr-3 pb-1 pl-0"
              ><a
                class="flex items-center gap-2 min-h-10 no-underline whitespace-nowrap"
                href={`/${team}/squad/read/${c.read}`}
                ><ReadGlyph read={c.read} size={30} />{session.readName(c.read)}</a
              ></td
            >
            <td class="numeral count border-t border-t-seam pt-1 pr-3 pb-1 pl-0 text-base"
              >{c.practice.correct}/{c.practice.reps}</td
            >
            <td class="border-t border-t-seam pt-1 pr-3 pb-1 pl-0 w-28"
              ><RateBar
                rate={c.practice.rate}
                low={c.practice.interval.low}
                high={c.practice.interval.high}
              /></td
            >
            <td class="numeral count border-t border-t-seam pt-1 pr-3 pb-1 pl-0 text-base"
              >{c.game.correct}/{c.game.reps}</td
            >
            <td class="border-t border-t-seam pt-1 pr-3 pb-1 pl-0 w-28"
              ><RateBar rate={c.game.rate} low={c.game.interval.low} high={c.game.interval.high} /></td
            >
            <td class="border-t border-t-seam pt-1 pr-3 pb-1 pl-0"
              >{#if c.verdict}<b>{c.verdict}</b>{/if}
              {#if c.missed.length}<span class="soft">Missed by {named(c.missed)}.</span>{/if}</td
            >
          </tr>
        {/each}
      </tbody>
    </table>
    {#if short.length && view.next}
      <p class="next flex gap-4 items-center justify-between flex-wrap">
        <span
          >Most is missing at {short.map((c) => session.readName(c.read).toLowerCase()).join(', ')}. The
          game’s reps count in the next plan already; this puts them first.</span
        >
        {#if session.coach}
          <a class="tape" href={`/${team}/plan/${view.next.id}?focus=${focus}`}>Into the next plan</a>
        {/if}
      </p>
    {/if}
  </section>
  <section class="sheet py-3 px-4 min-w-0 overflow-x-auto" aria-labelledby="seen">
    <h2 id="seen">What they showed</h2>
    <table class="w-full border-collapse mt-1 mr-0 mb-3 ml-0">
      <thead
        ><tr
          ><th class="text-left font-normal text-soft text-sm">Coverage</th><th
            class="text-left font-normal text-soft text-sm">Seen</th
          ><th class="text-left font-normal text-soft text-sm">Of 100</th><th
            class="text-left font-normal text-soft text-sm">Expected</th
          ></tr
        ></thead
      >
      <tbody>
        {#each seen as c (c.family + c.cue)}
          <tr>
            <td class="border-t border-t-seam pt-1 pr-3 pb-1 pl-0"
              ><span class="cue flex items-center gap-2 min-h-10 no-underline whitespace-nowrap"
                ><CueGlyph cue={c.cue} size={28} />{session.cueName(c.cue)}</span
              ></td
            >
            <td class="numeral border-t border-t-seam pt-1 pr-3 pb-1 pl-0">{c.seen}</td>
            <td class="numeral border-t border-t-seam pt-1 pr-3 pb-1 pl-0">{Math.round(c.percent)}</td>
            <td class="numeral border-t border-t-seam pt-1 pr-3 pb-1 pl-0"
              >{c.known ? Math.round(c.expected) : '–'}</td
            >
          </tr>
        {/each}
      </tbody>
    </table>
    <h2>Counted for the team</h2>
    <dl>
      {#each view.counts as c (c.id)}<div class="flex justify-between border-t border-t-seam py-1 px-0">
          <dt>{c.name}</dt>
          <dd class="numeral text-lg">{c.count}</dd>
        </div>{/each}
    </dl>
  </section>
</div>
