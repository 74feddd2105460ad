<script lang="ts">
  import { untrack } from 'svelte';
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
  import Fold from '$lib/ui/Fold.svelte';

  // One read on a player's card: the sentence, and the arithmetic one tap below.
  let { standing, team, open = false }: { standing: Standing; team: string; open?: boolean } = $props();

  let unfolded = $state(untrack(() => open));
  $effect(() => {
    if (open) unfolded = true;
  });

  const st = $derived(standing);
  const per = (x: number) => `${Math.round(x * 100)}%`;
  const judged = $derived(st.groups.filter((g) => g.judgement.reps > 0));
  const groupNames = { guided: 'Guided', live: 'Live' };
  const count = (n: { correct: number; reps: number }) => (n.reps > 0 ? `${n.correct} of ${n.reps}` : '–');
</script>

<Fold
  class="border-t border-t-seam"
  bind:open={unfolded}
  line="grid grid-cols-[auto_1fr_auto_1.5rem_auto] max-sm:grid-cols-[auto_1fr_1.5rem_auto] gap-3 items-center px-4 min-h-14 hover:bg-mark/16"
  >{#snippet title()}<ReadGlyph read={st.read} size={40} />
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
          >Most often makes {session.readName(st.confused).toLowerCase()} instead.</span
        >{/if}
    </span>
    <span class="max-sm:order-last max-sm:col-start-2"><IntervalCell standing={st} width={130} /></span>
    <span class="numeral held text-xl">{st.held || '–'}</span>{/snippet}
  {#if judged.length === 0}
    <p class="soft none pt-1 pr-4 pb-3 pl-4 text-sm">No reps on a rung where the player reads.</p>
  {:else}
    <Table class="text-sm [&_td]:pl-4 [&_td]:whitespace-nowrap [&_th]:pl-4">
      <TableHead>
        <TableHeadCell>Rungs</TableHeadCell><TableHeadCell>Correct</TableHeadCell><TableHeadCell
          >Likely rate</TableHeadCell
        ><TableHeadCell>Chance of the target</TableHeadCell><TableHeadCell>Right side</TableHeadCell
        ><TableHeadCell>Left side</TableHeadCell>
      </TableHead>
      <TableBody>
        {#each judged as g (g.group)}
          <TableBodyRow>
            <TableBodyCell><b>{groupNames[g.group]}</b></TableBodyCell>
            <TableBodyCell class="numeral">{count(g.judgement)}</TableBodyCell>
            <TableBodyCell class="numeral"
              >{per(g.judgement.interval.low)} – {per(g.judgement.interval.high)}</TableBodyCell
            >
            <TableBodyCell class="numeral"
              >{per(g.judgement.chance)}
              <span class="soft">to reach {per(g.judgement.target)}</span></TableBodyCell
            >
            <TableBodyCell class="numeral">{count(g.right)}</TableBodyCell>
            <TableBodyCell class="numeral">{count(g.left)}</TableBodyCell>
          </TableBodyRow>
        {/each}
      </TableBody>
    </Table>
    <p class="none pt-1 pr-4 pb-3 pl-4 text-sm">
      {#each st.rungs as r, i (r.rung)}{i > 0 ? ', ' : ''}{session.rung(r.rung)?.name}
        <span class="numeral">{r.correct} of {r.reps}</span>{/each}.
      {#if st.judgement.verdict !== 'has' && st.judgement.inARow < 30}
        <span class="numeral">{st.judgement.inARow}</span> correct in a row would give it.
      {/if}
    </p>
    <p class="soft none pt-1 pr-4 pb-3 pl-4 text-sm">
      Newer practices count more, an observer errs now and then, and some correct answers are guesses. "Has
      it" needs a chance of 85% to reach the target, on 6 reps or more. <a href={`/${team}/numbers`}
        >Where these numbers come from</a
      >
    </p>
    {#if unfolded}<PlayerSeason {team} player={st.player} read={st.read} target={st.judgement.target} />{/if}
  {/if}
</Fold>
