<script lang="ts">
  import Table from 'flowbite-svelte/Table.svelte';
  import TableBody from 'flowbite-svelte/TableBody.svelte';
  import TableBodyCell from 'flowbite-svelte/TableBodyCell.svelte';
  import TableBodyRow from 'flowbite-svelte/TableBodyRow.svelte';
  import TableHead from 'flowbite-svelte/TableHead.svelte';
  import TableHeadCell from 'flowbite-svelte/TableHeadCell.svelte';
  import type { Standing } from '$lib/api/client';
  import { session } from '$lib/state/session.svelte';
  import IntervalCell from '$lib/parts/IntervalCell.svelte';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import PlayerSeason from './PlayerSeason.svelte';

  // One read on a player's card: the sentence, and the arithmetic one tap below.
  let { standing, team, open = false }: { standing: Standing; team: string; open?: boolean } = $props();

  let opened = $state(false);
  $effect(() => {
    if (open) opened = true;
  });

  const st = $derived(standing);
  const per = (x: number) => `${Math.round(x * 100)}%`;
  const judged = $derived(st.groups.filter((g) => g.judgement.reps > 0));
  const groupNames = { guided: 'Guided', live: 'Live' };
  const count = (n: { correct: number; reps: number }) => (n.reps > 0 ? `${n.correct} of ${n.reps}` : '–');
</script>

<details class="border-t border-t-seam" {open} ontoggle={(e) => e.currentTarget.open && (opened = true)}>
  <summary
    class="grid grid-cols-[auto_1fr_auto_1.5rem] max-sm:grid-cols-[auto_1fr_1.5rem] gap-3 items-center py-2 px-4 cursor-pointer list-none min-h-14 hover:bg-mark/16"
  >
    <ReadGlyph read={st.read} size={40} />
    <span class="name">
      <b class="block leading-[1.25]">{session.readName(st.read)}</b>
      <span class="soft block leading-[1.25] text-sm">{st.judgement.sentence}</span>
      {#each [st.gap, st.does, st.game].filter(Boolean) as g (g)}<span
          class="gap block leading-[1.25] text-(--tape-orange) text-sm">{g}</span
        >{/each}
      {#if st.judgement.new}<span class="soft block leading-[1.25] text-sm"
          >New: the last practice alone has made it so; one more will show whether it holds.</span
        >{/if}
      {#if st.confused}<span class="soft block leading-[1.25] text-sm"
          >Most often makes it: {session.readName(st.confused).toLowerCase()}.</span
        >{/if}
    </span>
    <span class="max-sm:order-last max-sm:col-start-2"><IntervalCell standing={st} width={130} /></span>
    <span class="numeral held text-xl">{st.held || '–'}</span>
  </summary>
  {#if judged.length === 0}
    <p class="soft none pt-1 pr-4 pb-3 pl-4 text-sm">No reps on a rung where the player reads.</p>
  {:else}
    <div class="overflow-x-auto">
      <Table class="block overflow-x-auto border-collapse text-sm">
        <TableHead>
          <TableHeadCell class="pr-2 pl-4 whitespace-nowrap">Rungs</TableHeadCell><TableHeadCell
            class="pr-2 pl-4 whitespace-nowrap">Correct</TableHeadCell
          ><TableHeadCell class="pr-2 pl-4 whitespace-nowrap">Likely rate</TableHeadCell><TableHeadCell
            class="pr-2 pl-4 whitespace-nowrap">Chance of the target</TableHeadCell
          ><TableHeadCell class="pr-2 pl-4 whitespace-nowrap">Right side</TableHeadCell><TableHeadCell
            class="pr-2 pl-4 whitespace-nowrap">Left side</TableHeadCell
          >
        </TableHead>
        <TableBody>
          {#each judged as g (g.group)}
            <TableBodyRow>
              <TableBodyCell class="pr-2 pl-4 whitespace-nowrap"><b>{groupNames[g.group]}</b></TableBodyCell>
              <TableBodyCell class="numeral pr-2 pl-4 whitespace-nowrap">{count(g.judgement)}</TableBodyCell>
              <TableBodyCell class="numeral pr-2 pl-4 whitespace-nowrap"
                >{per(g.judgement.interval.low)} – {per(g.judgement.interval.high)}</TableBodyCell
              >
              <TableBodyCell class="numeral pr-2 pl-4 whitespace-nowrap"
                >{per(g.judgement.chance)}
                <span class="soft">to reach {per(g.judgement.target)}</span></TableBodyCell
              >
              <TableBodyCell class="numeral pr-2 pl-4 whitespace-nowrap">{count(g.right)}</TableBodyCell>
              <TableBodyCell class="numeral pr-2 pl-4 whitespace-nowrap">{count(g.left)}</TableBodyCell>
            </TableBodyRow>
          {/each}
        </TableBody>
      </Table>
    </div>
    <p class="none pt-1 pr-4 pb-3 pl-4 text-sm">
      {#each st.rungs as r, i (r.rung)}{i > 0 ? ', ' : ''}{session.rung(r.rung)?.name}
        <span class="numeral">{r.correct} of {r.reps}</span>{/each}.
      {#if st.judgement.verdict !== 'has' && st.judgement.inARow < 30}
        <span class="numeral">{st.judgement.inARow}</span> correct in a row would give it.
      {/if}
    </p>
    <p class="soft none pt-1 pr-4 pb-3 pl-4 text-sm">
      Newer practices count more, an observer errs now and then, and some correct answers are guesses. "Has
      it" needs a chance of 85 % to reach the target, on 6 reps or more. <a href={`/${team}/numbers`}
        >Where these numbers come from</a
      >
    </p>
    {#if opened}<PlayerSeason {team} player={st.player} read={st.read} target={st.judgement.target} />{/if}
  {/if}
</details>
