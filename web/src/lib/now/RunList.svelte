<script lang="ts">
  import type { Practice } from '$lib/api/client';
  import { session } from '$lib/state/session.svelte';

  // The practice as a slim timeline: when, what, how long.
  let { practice: p }: { practice: Practice } = $props();
  const stage = (drill: string, id: string) =>
    session.drill(drill)?.stages.find((s) => s.id === id)?.name ?? '';
</script>

<section aria-labelledby="sheet">
  <h2 id="sheet" class="mb-2">Run sheet</h2>
  <ol class="m-0 list-none p-0">
    {#each p.blocks as b, i (b.id)}
      <li
        class={[
          'grid grid-cols-[2rem_1fr_auto] items-baseline gap-x-3 border-l-4 py-1 pl-2 leading-tight',
          b.kind === 'drill' ? 'border-(--tape-blue)' : 'border-seam text-soft'
        ]}
      >
        <span class="numeral text-right text-soft">{p.sheet.blocks[i]?.start ?? 0}</span>
        <span>
          <span class={b.kind === 'drill' ? 'font-bold' : ''}>{b.title}</span>
          {#if b.kind === 'drill'}<span class="text-sm text-soft">{stage(b.drill, b.stage)}</span>{/if}
        </span>
        <span class="numeral">{b.minutes}′</span>
      </li>
    {/each}
  </ol>
</section>
