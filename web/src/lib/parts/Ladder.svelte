<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import { session } from '$lib/state/session.svelte';

  // The ladder of a drill: eight rungs, those it has drawn solid, low at the foot.
  let {
    stages,
    chosen = '',
    held = []
  }: {
    stages: Schemas['Stage'][];
    chosen?: string;
    /** The highest rung each player holds, to show how many stand where. */
    held?: number[];
  } = $props();

  const rungs = $derived([...(session.catalogue?.ladder ?? [])].reverse());
  const rungOfChosen = $derived(stages.find((s) => s.id === chosen)?.rung);
</script>

<svg
  viewBox={`0 0 ${held.length ? 100 : 74} 132`}
  width={held.length ? 100 : 74}
  height="132"
  role="img"
  aria-label={held.length ? 'Rungs of this drill, and how many players hold them' : 'Rungs of this drill'}
>
  <path d="M24 4V128M66 4V128" stroke="var(--line)" stroke-width="3" />
  {#each rungs as r, i (r.id)}
    {@const has = stages.some((s) => s.rung === r.id)}
    {@const y = 12 + i * 15.5}
    <path
      d={`M24 ${y}H66`}
      stroke={has ? 'var(--ink)' : 'var(--seam)'}
      stroke-width={has ? 6 : 2}
      stroke-dasharray={has ? undefined : '3 3'}
    />
    {#if r.id === rungOfChosen}<path d={`M24 ${y}H66`} stroke="var(--mark)" stroke-width="10" />{/if}
    <text x="14" y={y + 5} class="numeral" class:has>{r.number}</text>
    {#if held.length && has}
      <text x="92" y={y + 5} class="numeral stands">{held.filter((h) => h >= r.number).length}</text>
    {/if}
  {/each}
</svg>

<style>
  text {
    font-size: 15px;
    text-anchor: end;
    fill: var(--line);
  }
  .has {
    fill: var(--ink);
  }
  .stands {
    fill: var(--tape-blue);
    font-weight: 700;
  }
</style>
