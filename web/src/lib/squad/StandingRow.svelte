<script lang="ts">
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

<details {open} ontoggle={(e) => e.currentTarget.open && (opened = true)}>
  <summary>
    <ReadGlyph read={st.read} size={40} />
    <span class="name">
      <b>{session.readName(st.read)}</b>
      <span class="soft">{st.judgement.sentence}</span>
      {#each [st.gap, st.does, st.game].filter(Boolean) as g (g)}<span class="gap">{g}</span>{/each}
      {#if st.judgement.new}<span class="soft"
          >New: the last practice alone has made it so; one more will show whether it holds.</span
        >{/if}
      {#if st.confused}<span class="soft"
          >Most often makes it: {session.readName(st.confused).toLowerCase()}.</span
        >{/if}
    </span>
    <IntervalCell standing={st} width={130} />
    <span class="numeral held">{st.held || '–'}</span>
  </summary>
  {#if judged.length === 0}
    <p class="soft none">No reps on a rung where the player reads.</p>
  {:else}
    <div class="overflow-x-auto">
      <table>
        <thead>
          <tr
            ><th>Rungs</th><th>Correct</th><th>Likely rate</th><th>Chance of the target</th><th>Right side</th
            ><th>Left side</th></tr
          >
        </thead>
        <tbody>
          {#each judged as g (g.group)}
            <tr>
              <td><b>{groupNames[g.group]}</b></td>
              <td class="numeral">{count(g.judgement)}</td>
              <td class="numeral">{per(g.judgement.interval.low)} – {per(g.judgement.interval.high)}</td>
              <td class="numeral"
                >{per(g.judgement.chance)} <span class="soft">to reach {per(g.judgement.target)}</span></td
              >
              <td class="numeral">{count(g.right)}</td>
              <td class="numeral">{count(g.left)}</td>
            </tr>
          {/each}
        </tbody>
      </table>
    </div>
    <p class="none">
      {#each st.rungs as r, i (r.rung)}{i > 0 ? ', ' : ''}{session.rung(r.rung)?.name}
        <span class="numeral">{r.correct} of {r.reps}</span>{/each}.
      {#if st.judgement.verdict !== 'has' && st.judgement.inARow < 30}
        <span class="numeral">{st.judgement.inARow}</span> correct in a row would give it.
      {/if}
    </p>
    <p class="soft none">
      Newer practices count more, an observer errs now and then, and some correct answers are guesses. "Has
      it" needs a chance of 85 % to reach the target, on 6 reps or more. <a href={`/${team}/numbers`}
        >Where these numbers come from</a
      >
    </p>
    {#if opened}<PlayerSeason {team} player={st.player} read={st.read} target={st.judgement.target} />{/if}
  {/if}
</details>

<style>
  details {
    border-top: 1px solid var(--seam);
  }
  summary {
    display: grid;
    grid-template-columns: auto 1fr auto 1.5rem;
    gap: 0.8rem;
    align-items: center;
    padding: 0.5rem 1rem;
    cursor: pointer;
    list-style: none;
    min-height: 56px;
  }
  summary:hover {
    background: color-mix(in srgb, var(--mark) 16%, transparent);
  }
  .name > * {
    display: block;
    line-height: 1.25;
  }
  .name > span {
    font-size: 0.92rem;
  }
  .gap {
    color: var(--tape-orange);
  }
  .held {
    font-size: 1.7rem;
  }
  table {
    display: block;
    overflow-x: auto;
    border-collapse: collapse;
    font-size: 0.92rem;
  }
  th {
    text-align: left;
    font-weight: 400;
    color: var(--ink-soft);
    font-size: 0.88rem;
  }
  th,
  td {
    padding: 0.25rem 0.4rem 0.25rem 1rem;
    white-space: nowrap;
  }
  .none {
    padding: 0.3rem 1rem 0.7rem;
    font-size: 0.88rem;
  }
</style>
