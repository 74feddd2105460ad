<script lang="ts">
  import { session } from '$lib/state/session.svelte';

  // Where the numbers on boards and cards come from: every figure behind a verdict, and why.
  const p = $derived(session.catalogue?.policy);
  const share = (x: number) => `${Math.round(100 * x)} in 100`;
  const figures = $derived(
    p
      ? [
          [
            'Target against real defenders',
            share(p.liveTarget),
            'The rate of correct answers that counts as having a read.'
          ],
          [
            'Target where the cue is shown',
            share(p.guidedTarget),
            'Guided reps are slower and expected, so more is asked.'
          ],
          [
            'How sure "has it" has to be',
            share(p.sure),
            'The chance that the true rate is at the target or above. "Not yet" is as sure of the opposite.'
          ],
          ['Fewest reps', `${p.minReps}`, 'Below that nothing is said, however good they were.'],
          [
            'What teammates tell',
            `${p.priorReps} reps`,
            'A new player begins like the team, pulled well toward one half, and it is worth this many reps.'
          ],
          [
            'A rep of practice',
            `${p.repWeight}`,
            'Reps of one evening resemble each other and count a little less than one.'
          ],
          [
            'Guided for live, live for guided',
            `${p.neighborWeight} of a rep`,
            `At most ${p.neighborMost} reps of one practice. Live rates are taken to be ${share(p.rungLoss)} lower.`
          ],
          [
            'How often an observer errs',
            share(p.observerError),
            `Where two coaches log the same reps, their own agreement replaces this; it is worth ${p.errorReps} such reps.`
          ],
          [
            'Guesses',
            '1 wrong read in 2',
            'Half of the wrong reads are taken to be guesses, and some guesses come out correct.'
          ],
          ['The bar', share(p.level), 'The true rate is in it this often.'],
          [
            'Left and right differ',
            share(p.apart),
            `Said when one side is the better one with this chance, from ${p.apartReps} reps a side on.`
          ]
        ]
      : []
  );
</script>

<div class="page-head">
  <h1>Where these numbers come from</h1>
</div>
<section class="sheet max-w-3xl p-5">
  <p>
    A verdict is about now. Every practice moves what is believed of a player: toward what was logged, and a
    little in every direction for each day that passes, because players learn and forget. Three courses are
    weighed against each other: holding a level, learning, forgetting. A verdict made by one practice alone is
    called new; a second that agrees makes it firm.
  </p>
  <p class="mt-3">
    The figures below are assumptions. They were set so that in a simulated season first verdicts are seldom
    wrong and a learner is recognized within about two weeks.
  </p>
  <dl class="mt-4 grid gap-3">
    {#each figures as [name, value, why] (name)}
      <div class="grid gap-x-4 border-t border-[var(--seam)] pt-2 sm:grid-cols-[16rem_9rem_1fr]">
        <dt class="font-bold">{name}</dt>
        <dd class="numeral text-lg">{value}</dd>
        <dd class="soft">{why}</dd>
      </div>
    {/each}
  </dl>
</section>
