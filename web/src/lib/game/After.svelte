<script lang="ts">
  import Table from 'flowbite-svelte/Table.svelte';
  import TableBody from 'flowbite-svelte/TableBody.svelte';
  import TableBodyCell from 'flowbite-svelte/TableBodyCell.svelte';
  import TableBodyRow from 'flowbite-svelte/TableBodyRow.svelte';
  import TableHead from 'flowbite-svelte/TableHead.svelte';
  import TableHeadCell from 'flowbite-svelte/TableHeadCell.svelte';
  import type { Schemas } from '$lib/api/client';
  import { session } from '$lib/state/session.svelte';
  import CueGlyph from '$lib/parts/CueGlyph.svelte';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import RateBar from './RateBar.svelte';
  import Button from '$lib/ui/Button.svelte';

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
    <Table class="w-full border-collapse mt-1 mr-0 mb-3 ml-0">
      <TableHead
        ><TableHeadCell>Read</TableHeadCell><TableHeadCell colspan={2}>Live in practice</TableHeadCell
        ><TableHeadCell colspan={2}>In the game</TableHeadCell><TableHeadCell></TableHeadCell></TableHead
      >
      <TableBody>
        {#each view.compared as c (c.role + c.read)}
          <TableBodyRow>
            <TableBodyCell
              ><a
                class="flex items-center gap-2 min-h-10 no-underline whitespace-nowrap"
                href={`/${team}/squad/read/${c.read}`}
                ><ReadGlyph read={c.read} size={30} />{session.readName(c.read)}</a
              ></TableBodyCell
            >
            <TableBodyCell class="numeral count text-base"
              >{c.practice.correct}/{c.practice.reps}</TableBodyCell
            >
            <TableBodyCell class="w-28"
              ><RateBar
                rate={c.practice.rate}
                low={c.practice.interval.low}
                high={c.practice.interval.high}
              /></TableBodyCell
            >
            <TableBodyCell class="numeral count text-base">{c.game.correct}/{c.game.reps}</TableBodyCell>
            <TableBodyCell class="w-28"
              ><RateBar
                rate={c.game.rate}
                low={c.game.interval.low}
                high={c.game.interval.high}
              /></TableBodyCell
            >
            <TableBodyCell
              >{#if c.verdict}<b>{c.verdict}</b>{/if}
              {#if c.missed.length}<span class="soft">Missed by {named(c.missed)}.</span>{/if}</TableBodyCell
            >
          </TableBodyRow>
        {/each}
      </TableBody>
    </Table>
    {#if short.length && view.next}
      <p class="next flex gap-4 items-center justify-between flex-wrap">
        <span
          >Most is missing at {short.map((c) => session.readName(c.read).toLowerCase()).join(', ')}. The
          game’s reps count in the next plan already; this puts them first.</span
        >
        {#if session.coach}
          <Button main href={`/${team}/plan/${view.next.id}?focus=${focus}`}>Into the next plan</Button>
        {/if}
      </p>
    {/if}
  </section>
  <section class="sheet py-3 px-4 min-w-0 overflow-x-auto" aria-labelledby="seen">
    <h2 id="seen">What they showed</h2>
    <Table class="w-full border-collapse mt-1 mr-0 mb-3 ml-0">
      <TableHead
        ><TableHeadCell>Coverage</TableHeadCell><TableHeadCell>Seen</TableHeadCell><TableHeadCell
          >Of 100</TableHeadCell
        ><TableHeadCell>Expected</TableHeadCell></TableHead
      >
      <TableBody>
        {#each seen as c (c.family + c.cue)}
          <TableBodyRow>
            <TableBodyCell
              ><span class="cue flex items-center gap-2 min-h-10 no-underline whitespace-nowrap"
                ><CueGlyph cue={c.cue} size={28} />{session.cueName(c.cue)}</span
              ></TableBodyCell
            >
            <TableBodyCell class="numeral">{c.seen}</TableBodyCell>
            <TableBodyCell class="numeral">{Math.round(c.percent)}</TableBodyCell>
            <TableBodyCell class="numeral">{c.known ? Math.round(c.expected) : '–'}</TableBodyCell>
          </TableBodyRow>
        {/each}
      </TableBody>
    </Table>
    <h2>Counted for the team</h2>
    <dl>
      {#each view.counts as c (c.id)}<div class="flex justify-between border-t border-t-seam py-1 px-0">
          <dt>{c.name}</dt>
          <dd class="numeral text-lg">{c.count}</dd>
        </div>{/each}
    </dl>
  </section>
</div>
