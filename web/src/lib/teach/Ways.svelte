<script lang="ts">
  import type { Schemas, Snapshot } from '$lib/api/client';
  import { distance, sy } from '$lib/court/geometry';

  // The ways on the lab's court: the cut and the pass of a picture, or where everybody goes in its play.
  let {
    snapshot: s,
    play,
    passes
  }: { snapshot: Snapshot; play: Schemas['Play'] | null; passes: boolean } = $props();

  const trails = $derived(
    play?.tracks.filter((t) => t.keys.length > 1 && !t.who.startsWith('x') && t.who !== 'ball') ?? []
  );
</script>

{#if play}
  {#each trails as t (t.who)}
    <polyline class="trail" points={t.keys.map((k) => `${k.at.x},${sy(k.at)}`).join(' ')} />
  {/each}
{:else}
  {#if distance(s.from, s.cutter) > 1}
    <path class="cut" d={`M${s.from.x} ${sy(s.from)}L${s.cutter.x} ${sy(s.cutter)}`} />
  {/if}
  {#if passes}
    <path class="pass" d={`M${s.passer.x} ${sy(s.passer)}L${s.to.x} ${sy(s.to)}`} />
    <circle class="catch" cx={s.to.x} cy={sy(s.to)} r="0.7" />
  {/if}
{/if}

<style>
  .cut {
    stroke: var(--ink);
    stroke-width: 0.22;
    opacity: 0.55;
  }
  .pass {
    stroke: var(--ink);
    stroke-width: 0.2;
    stroke-dasharray: 0.9 0.7;
    opacity: 0.5;
  }
  .catch {
    fill: none;
    stroke: var(--ink);
    stroke-width: 0.18;
    stroke-dasharray: 0.5 0.4;
  }
  .trail {
    fill: none;
    stroke: var(--ink);
    stroke-width: 0.2;
    opacity: 0.4;
  }
</style>
