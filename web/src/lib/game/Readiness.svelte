<script lang="ts">
  import Scrolls from '$lib/parts/Scrolls.svelte';
  import Table from 'flowbite-svelte/Table.svelte';
  import TableBody from 'flowbite-svelte/TableBody.svelte';
  import TableBodyCell from 'flowbite-svelte/TableBodyCell.svelte';
  import TableBodyRow from 'flowbite-svelte/TableBodyRow.svelte';
  import TableHead from 'flowbite-svelte/TableHead.svelte';
  import TableHeadCell from 'flowbite-svelte/TableHeadCell.svelte';
  import type { Schemas } from '$lib/api/client';
  import { session } from '$lib/state/session.svelte';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import RateBar from './RateBar.svelte';
  import Button from '$lib/ui/Button.svelte';
  import Fold from '$lib/ui/Fold.svelte';

  // What the opponent will ask, and how much of it the squad answers.
  let { view, team }: { view: Schemas['GameView']; team: string } = $props();

  const named = (ids: string[]) =>
    ids.map((id) => view.players.find((p) => p.id === id)?.name ?? '?').join(', ');
  const of100 = (x: number) => Math.round(100 * x);
  const shown = 10;
  let all = $state(false);
  const asked = $derived(view.ready.filter((r) => r.share > 0));
</script>

<section class="sheet py-3 px-4 min-w-0 overflow-x-auto" aria-labelledby="ready">
  <h2 id="ready">What they will ask</h2>
  <p class="mt-1 mr-0 mb-2 ml-0">
    Of <b class="numeral">100</b> screens like these, both players read it right in about
    <b class="numeral big text-xl">{of100(view.total)}</b>.
    <span class="soft">Where most goes unanswered comes first.</span>
  </p>
  <Scrolls label="What they will ask">
    <Table class="w-full min-w-120 border-collapse">
      <TableHead>
        <TableHeadCell>Read</TableHeadCell><TableHeadCell>Asked</TableHeadCell><TableHeadCell colspan={2}
          >Made</TableHeadCell
        ><TableHeadCell>Best at it</TableHeadCell><TableHeadCell>Needs it most</TableHeadCell>
      </TableHead>
      <TableBody>
        {#each all ? asked : asked.slice(0, shown) as r (r.role + r.read)}
          <TableBodyRow>
            <TableBodyCell
              ><a
                class="flex items-center gap-2 min-h-10 no-underline whitespace-nowrap"
                href={`/${team}/squad/read/${r.read}`}
                ><ReadGlyph read={r.read} size={30} />{session.readName(r.read)}<small class="soft"
                  >{r.role}</small
                ></a
              ></TableBodyCell
            >
            <TableBodyCell class="numeral text-base">{of100(r.share)}</TableBodyCell>
            {#if r.reps > 0}
              <TableBodyCell class="w-28"><RateBar rate={r.rate} /></TableBodyCell>
              <TableBodyCell class="numeral text-base">{of100(r.rate)}</TableBodyCell>
              <TableBodyCell>{named(r.best)}</TableBodyCell>
              <TableBodyCell class="soft">{named(r.worst)}</TableBodyCell>
            {:else}
              <TableBodyCell colspan={4} class="soft">Nobody has a rep of it; half is assumed.</TableBodyCell>
            {/if}
          </TableBodyRow>
        {/each}
      </TableBody>
    </Table>
  </Scrolls>
  {#if asked.length > shown}
    <Button class="mt-2" onclick={() => (all = !all)}
      >{all ? 'Only the first' : `All ${asked.length} reads`}</Button
    >
  {/if}
  <Fold line="soft"
    >{#snippet title()}<span>How this is computed</span>{/snippet}
    <p class="soft max-w-240 text-sm">
      Every action the team runs ({view.actions.map((s) => session.actionName(s)).join(', ')}) counts the
      same, and in it every coverage as often as expected. “Asked” is how many of a hundred need the read,
      “made” how many of a hundred the players whose part it is would make: their reps, newest counting most,
      shown ones half, together with four reps at the team’s rate, so that who has few reps is taken for a
      player like the others. Both right is the product of the two.
    </p>
  </Fold>
</section>
