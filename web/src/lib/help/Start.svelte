<script lang="ts">
  // How a coach begins, and how a verdict comes about.
  let { team }: { team: string } = $props();
  const steps = $derived([
    ['squad', 'Add your players', 'Paste the list you have: a name and a number on each line is enough.'],
    ['plan', 'Plan a practice', 'Give the minutes and the baskets; Build practice fills them with drills.'],
    ['teach', 'Learn one read', 'Drag the defender and see how the answer changes. Show it to the team.'],
    ['run', 'Run it', 'Who is up stands on the page. One tap logs what each player did.'],
    ['squad', 'See who has it', 'The board says who has which read, and who needs more reps.']
  ]);
  const verdicts = [
    ['Has it', 'The log is as good as certain that the player makes this read against real defenders.'],
    ['Not yet', 'The log is as good as certain that the player does not, so far.'],
    ['Too close to call', 'There are enough reps, and they do not say which.'],
    ['Not enough reps', 'Too few reps to say anything. The cell tells how many are missing.'],
    ['Had it', 'The player had it, and it has not been seen for weeks. A few reps will tell.']
  ];
</script>

<section aria-labelledby="start">
  <h2 id="start" class="mb-3 text-xl">How to start</h2>
  <ol class="m-0 grid list-none gap-3 p-0">
    {#each steps as [view, name, what], i (name)}
      <li class="grid grid-cols-[2rem_1fr]">
        <span class="numeral text-xl text-soft" aria-hidden="true">{i + 1}</span>
        <p><a class="font-bold" href={`/${team}/${view}`}>{name}</a><br />{what}</p>
      </li>
    {/each}
  </ol>
</section>
<section aria-labelledby="verdicts">
  <h2 id="verdicts" class="mb-3 text-xl">How verdicts work</h2>
  <p>
    A player's reps become a verdict once they leave little doubt. Live reps count most, guided reps less, and
    old reps fade. Left and right are counted apart where they differ.
  </p>
  <dl class="mt-3 grid gap-x-4 gap-y-2 sm:grid-cols-[11rem_1fr]">
    {#each verdicts as [name, what] (name)}
      <dt class="font-bold">{name}</dt>
      <dd class="text-soft">{what}</dd>
    {/each}
  </dl>
  <p class="mt-3"><a href={`/${team}/numbers`}>Where these numbers come from</a></p>
</section>
