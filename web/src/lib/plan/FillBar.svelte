<script lang="ts">
  import { session } from '$lib/state/session.svelte';
  import type { Draft } from './draft.svelte';

  // The two buttons that let the core plan, and how good what it found is.
  let { draft }: { draft: Draft } = $props();

  const f = $derived(draft.filled);
  const task = { teach: 'shown', live: 'live', refresh: 'live again' } as const;
  const season = $derived.by(() => {
    const due = draft.sheet?.due ?? [];
    if (due.length === 0) return '';
    return ` The season sets: ${due.map((i) => `${session.screenName(i.screen).toLowerCase()} ${task[i.task]}`).join(', ')}.`;
  });
  const best = $derived.by(() => {
    if (!f)
      return (
        'Fills the minutes with what the players here need most. Pinned blocks, your own and drills without a read stay.' +
        season
      );
    if (!draft.fits) return 'Changed since it was fitted. Fill again to fit the rest around your changes.';
    const more =
      f.moreReps >= 1
        ? ` Ten more minutes would cover ${Math.round(f.moreReps)} more reps.`
        : ' More minutes would cover nothing more.';
    const how = f.proven
      ? 'Best practice for these limits.'
      : `At most ${Math.max(0.1, f.gap * 100).toFixed(1)} % more could be covered.`;
    return how + (f.split ? ` Both ends in use: ${f.split}.` : '') + more;
  });
</script>

<section class="bar no-print" aria-label="Fit the plan">
  <button class="tape" disabled={draft.filling} onclick={() => draft.fill('evening')}>Build practice</button>
  <button class="tape plain" disabled={draft.filling} onclick={() => draft.fill('holes')}
    >Fill open time</button
  >
  <p role="status" aria-live="polite">{draft.filling ? 'Weighing drills against minutes…' : best}</p>
</section>

<style>
  .bar {
    display: flex;
    gap: 0.6rem;
    align-items: center;
    margin-bottom: 1rem;
    min-height: 3.2rem;
  }
  .tape {
    flex: none;
  }
  p {
    line-height: 1.25;
    max-width: 46rem;
  }
  @media (max-width: 700px) {
    .bar {
      flex-wrap: wrap;
    }
  }
</style>
