<script lang="ts">
  import { session } from '$lib/state/session.svelte';
  import type { Floor } from './floor.svelte';

  // A live block that teaches no read: how the possession ended, in one tap, and the next is up.
  let { floor }: { floor: Floor } = $props();

  const ends = $derived((session.catalogue?.tallies ?? []).filter((t) => t.ends));
  const tape: Record<string, string> = {
    scored: '--tape-green',
    stopped: '--tape-blue',
    lost: '--tape-orange'
  };
</script>

<p class="text-xl">How did it end?</p>
<div class="grid flex-1 auto-rows-fr gap-3">
  {#each ends as t (t.id)}
    <button
      class="flex min-h-20 cursor-pointer items-center justify-between gap-4 border-2 border-(--tape) bg-(--sheet) px-6 text-left text-2xl font-bold text-(--ink)"
      style:--tape={`var(${tape[t.id] ?? '--line'})`}
      onclick={() => floor.ended(t.id)}
    >
      {t.name}<span class="numeral text-3xl">{floor.tallies.of(t.id)}</span>
    </button>
  {/each}
</div>
