<script lang="ts">
  import { session } from '$lib/state/session.svelte';
  import type { Draft } from './draft.svelte';
  import Button from '$lib/ui/Button.svelte';

  // The buttons that build a practice, how good it is, and other good ones.
  let { draft }: { draft: Draft } = $props();

  const f = $derived(draft.filled);
  const task = { teach: 'guided', live: 'live', refresh: 'live again' } as const;
  const season = $derived.by(() => {
    const due = draft.sheet?.due ?? [];
    if (due.length === 0) return '';
    return ` The season sets: ${due.map((i) => `${session.actionName(i.action).toLowerCase()} ${task[i.task]}`).join(', ')}.`;
  });
  const best = $derived.by(() => {
    if (!f) return 'Fills the minutes with what moves the goals most. Pinned and own blocks stay.' + season;
    if (!draft.fits) return 'You changed the plan. Build again to fit the rest around your changes.';
    const how = f.proven
      ? 'Best practice for these limits.'
      : `Best practice found. At most ${Math.max(1, Math.ceil(f.gap * 100))}% better is possible.`;
    return how + (f.split ? ` Both baskets in use: ${f.split}.` : '');
  });
</script>

<section class="no-print mb-4 grid gap-2" aria-label="Fit the plan">
  <div class="flex min-h-[3.2rem] flex-wrap items-center gap-x-3 gap-y-2">
    <Button main class="flex-none" disabled={draft.filling} onclick={() => draft.fill('evening')}
      >Build practice</Button
    >
    <Button class="flex-none" disabled={draft.filling} onclick={() => draft.fill('holes')}
      >Fill open time</Button
    >
    <p role="status" aria-live="polite" class="max-w-[46rem] flex-1 leading-tight">
      {draft.filling ? 'Weighing drills against minutes…' : best}
    </p>
  </div>
  {#if f && draft.fits && f.others.length > 0}
    <ul class="quiet-list flex flex-wrap gap-x-5 gap-y-2" aria-label="Other good practices">
      {#each f.others as o (o.name)}
        <li class="flex max-w-md items-center gap-3">
          <Button class="flex-none" onclick={() => draft.take(o)}>{o.name}</Button>
          <span class="soft leading-tight">{o.text}</span>
        </li>
      {/each}
    </ul>
  {/if}
</section>
