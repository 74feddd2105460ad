<script lang="ts">
  import type { Schemas } from '$lib/api/client';

  // What an order list comes to: reps, and what each player gets out of them.
  let { order, own }: { order: Schemas['Order']; own: Schemas['Position'][] } = $props();

  const each = $derived(
    (
      [
        [`As ${(own[0]?.name ?? 'Player').toLowerCase()}, each`, 'cutter'],
        ...(own[1] ? [[`As ${own[1].name.toLowerCase()}, each`, 'screener']] : []),
        ['Touches, each', 'touches'],
        ['Sprints, each', 'sprints'],
        ['Jumps, each', 'jumps']
      ] as [string, 'cutter' | 'screener' | 'touches' | 'sprints' | 'jumps'][]
    ).map(([what, of]) => [what, spanOf(order.counts.map((c) => c[of]))] as const)
  );

  function spanOf(counts: number[]): string {
    const lo = Math.min(...counts);
    const hi = Math.max(...counts);
    return lo === hi ? String(lo) : `${lo}–${hi}`;
  }
</script>

<dl class="sums">
  <div>
    <dt>Reps</dt>
    <dd class="numeral">{order.reps.length}</dd>
  </div>
  {#each each as [what, span] (what)}
    <div>
      <dt>{what}</dt>
      <dd class="numeral">{span}</dd>
    </div>
  {/each}
  <div>
    <dt>In line</dt>
    <dd class="numeral">{Math.round(order.waiting * 100)} %</dd>
  </div>
</dl>
<p class="soft">{order.basis}.</p>
{#each order.notes as n (n)}<p class="note">{n}</p>{/each}

<style>
  .sums {
    display: flex;
    flex-wrap: wrap;
    gap: 0.4rem 2rem;
  }
  .sums dt {
    color: var(--ink-soft);
    font-size: 0.9rem;
  }
  .sums dd {
    font-size: 1.9rem;
    line-height: 1;
  }
  .note {
    border-left: 6px solid var(--tape-teal);
    padding-left: 0.7rem;
  }
</style>
