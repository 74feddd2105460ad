<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import { dayOf, hourOf } from '$lib/state/teamclock';

  // Practices line by line: when, what for, how many came, what was logged.
  let {
    team,
    name,
    rows,
    onduplicate
  }: {
    team: string;
    name: string;
    rows: Schemas['PracticeSummary'][];
    onduplicate?: (p: Schemas['PracticeSummary']) => void;
  } = $props();

  /** Each drill once, in the order of the practice. */
  const forWhat = (p: Schemas['PracticeSummary']) => [...new Set(p.drills)].join(', ');
  const share = (p: Schemas['PracticeSummary']) => Math.round((100 * p.correct) / p.reps);
</script>

{#if rows.length}
  <h2 class="mt-6 mb-2">{name}</h2>
  <ul class="sheet m-0 list-none p-0" aria-label={name}>
    {#each rows as p (p.id)}
      <li class="flex items-stretch border-b border-seam last:border-0">
        <a
          class="grid min-h-12 grow gap-x-4 gap-y-1 px-4 py-3 no-underline hover:bg-mark/20 sm:grid-cols-[11rem_1fr] md:grid-cols-[11rem_1fr_16rem]"
          href={p.status === 'done' ? `/${team}/run/${p.id}/review` : `/${team}/plan/${p.id}`}
        >
          <span><b>{dayOf(p.startsAt)}</b> <span class="numeral">{hourOf(p.startsAt)}</span></span>
          <span class="min-w-0">
            {forWhat(p) || 'No drills yet'}
            <span class="text-soft">· <span class="numeral">{p.minutes}</span> min</span>
          </span>
          <span class="text-soft sm:max-md:col-start-2">
            {#if p.status === 'open'}<b class="border-l-6 border-mark pl-2 text-ink">running now</b>
            {:else if p.reps > 0}
              <b class="numeral text-ink">{p.present}</b> players, <b class="numeral text-ink">{p.reps}</b>
              reps,
              <b class="numeral text-ink">{share(p)}</b>% correct
            {:else}<b class="numeral text-ink">{p.present}</b> players{/if}
          </span>
        </a>
        {#if onduplicate}
          <button
            class="no-print px-4 text-sm text-soft underline"
            aria-label={`Duplicate ${dayOf(p.startsAt)}`}
            onclick={() => onduplicate(p)}>Duplicate</button
          >
        {/if}
      </li>
    {/each}
  </ul>
{/if}
