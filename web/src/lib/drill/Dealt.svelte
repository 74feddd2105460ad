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

<dl class="sums flex flex-wrap gap-y-2 gap-x-8">
  <div>
    <dt class="text-soft text-sm">Reps</dt>
    <dd class="numeral text-2xl leading-none">{order.reps.length}</dd>
  </div>
  {#each each as [what, span] (what)}
    <div>
      <dt class="text-soft text-sm">{what}</dt>
      <dd class="numeral text-2xl leading-none">{span}</dd>
    </div>
  {/each}
  <div>
    <dt class="text-soft text-sm">In line</dt>
    <dd class="numeral text-2xl leading-none">{Math.round(order.waiting * 100)}%</dd>
  </div>
</dl>
<p class="soft">{order.basis}.</p>
{#each order.notes as n (n)}<p class="border-l-6 border-l-(--tape-teal) pl-3">{n}</p>{/each}
