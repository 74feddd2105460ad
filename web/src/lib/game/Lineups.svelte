<script lang="ts">
  import Scrolls from '$lib/parts/Scrolls.svelte';
  import Table from 'flowbite-svelte/Table.svelte';
  import TableBody from 'flowbite-svelte/TableBody.svelte';
  import TableBodyCell from 'flowbite-svelte/TableBodyCell.svelte';
  import TableBodyRow from 'flowbite-svelte/TableBodyRow.svelte';
  import TableHead from 'flowbite-svelte/TableHead.svelte';
  import TableHeadCell from 'flowbite-svelte/TableHeadCell.svelte';
  import type { Player, Schemas } from '$lib/api/client';
  import { session } from '$lib/state/session.svelte';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import RateBar from './RateBar.svelte';
  import Note from '$lib/ui/Note.svelte';
  import Fold from '$lib/ui/Fold.svelte';

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

<section aria-label="Lineups" class="grid gap-3 min-w-0">
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
      aria-label={`Lineup ${i + 1}`}
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
      {#if f.note}<Note warn>{f.note}</Note>{/if}
      <Fold class="overflow-x-auto"
        >{#snippet title()}<span>The arithmetic</span>{/snippet}
        <Table class="border-collapse w-full text-sm">
          <TableHead>
            <TableHeadCell class="whitespace-nowrap">Action</TableHeadCell><TableHeadCell
              class="whitespace-nowrap">They show</TableHeadCell
            ><TableHeadCell class="whitespace-nowrap">Of 100</TableHeadCell><TableHeadCell
              class="whitespace-nowrap">Reads</TableHeadCell
            ><TableHeadCell class="whitespace-nowrap">Who</TableHeadCell><TableHeadCell
              class="whitespace-nowrap">Right</TableHeadCell
            ><TableHeadCell class="whitespace-nowrap">Both right</TableHeadCell><TableHeadCell
              class="whitespace-nowrap">Answered</TableHeadCell
            >
          </TableHead>
          <TableBody>
            {#each f.lines.filter((l) => l.share > 0.0005) as l (l.action + l.cue)}
              <TableBodyRow>
                <TableBodyCell class="whitespace-nowrap">{session.actionName(l.action)}</TableBodyCell>
                <TableBodyCell class="whitespace-nowrap">{session.cueName(l.cue)}</TableBodyCell>
                <TableBodyCell class="numeral whitespace-nowrap">{(100 * l.share).toFixed(1)}</TableBodyCell>
                <TableBodyCell class="reads whitespace-nowrap flex items-center gap-1"
                  >{#each l.reads as r, k (k)}<ReadGlyph read={r} size={22} />{session.readName(r)}
                  {/each}</TableBodyCell
                >
                <TableBodyCell class="whitespace-nowrap"
                  >{l.user
                    ? `${who(l.user)?.name}, ${who(l.screener)?.name}`
                    : 'any two of the five'}</TableBodyCell
                >
                <TableBodyCell class="numeral whitespace-nowrap"
                  >{of100(l.userRate)} · {of100(l.screenerRate)}</TableBodyCell
                >
                <TableBodyCell class="numeral whitespace-nowrap">{of100(l.both)}</TableBodyCell>
                <TableBodyCell class="numeral whitespace-nowrap"
                  >{(100 * l.share * l.both).toFixed(1)}</TableBodyCell
                >
              </TableBodyRow>
            {/each}
          </TableBody>
        </Table>
        <p class="soft">
          “Answered” adds up to the {of100(f.score)} above. Off the ball anybody may be in the screen, so it is
          the mean over every two of the five.
        </p>
      </Fold>
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
    <Scrolls label="Minutes">
      <Table class="border-collapse w-full text-sm">
        <TableHead>
          <TableHeadCell class="whitespace-nowrap">Player</TableHeadCell
          >{#each found.stints as s, i (i)}<TableHeadCell class="numeral whitespace-nowrap"
              >{Math.round(s.start)}′</TableHeadCell
            >{/each}<TableHeadCell class="whitespace-nowrap">Minutes</TableHeadCell>
        </TableHead>
        <TableBody>
          {#each players.filter((p) => found.stints.some((s) => s.players.includes(p.id))) as p (p.id)}
            <TableBodyRow>
              <TableBodyCell
                class="whitespace-nowrap not-first:not-last:border-2 not-first:not-last:border-sheet not-first:not-last:bg-floor not-first:not-last:min-w-[2.6rem]"
                ><span class="numeral">{p.jersey}</span> {p.name}</TableBodyCell
              >
              {#each found.stints as s, i (i)}
                {@const on = s.players.includes(p.id)}
                <td
                  class="pt-1 pr-3 pb-1 pl-0 border-t border-t-seam whitespace-nowrap not-first:not-last:border-2 not-first:not-last:border-sheet not-first:not-last:bg-floor not-first:not-last:min-w-[2.6rem] [&.on]:not-first:bg-ink"
                  class:on><span class="visually-hidden">{on ? 'plays' : 'rests'}</span></td
                >
              {/each}
              <TableBodyCell
                class="numeral whitespace-nowrap not-first:not-last:border-2 not-first:not-last:border-sheet not-first:not-last:bg-floor not-first:not-last:min-w-[2.6rem]"
                >{Math.round(
                  found.stints.filter((s) => s.players.includes(p.id)).reduce((m, s) => m + s.minutes, 0)
                )}</TableBodyCell
              >
            </TableBodyRow>
          {/each}
        </TableBody>
      </Table>
    </Scrolls>
  </section>
{/if}
