<script lang="ts">
  import type { Draft } from './draft.svelte';

  // Minutes and covered demand, always in view.
  let { draft }: { draft: Draft } = $props();

  const sheet = $derived(draft.sheet);
  const share = $derived(sheet && sheet.demand > 0 ? sheet.covered / sheet.demand : 0);
  const most = (of: number[]) => Math.max(0, ...of);
</script>

{#if sheet}
  <section aria-label="What the plan gives">
    <p>
      <b class="numeral">{sheet.used}</b> of <b class="numeral">{draft.input.minutes}</b> min
      <span class="soft">{sheet.left < 0 ? `${-sheet.left} too many` : `${sheet.left} left`}</span>
    </p>
    <p>
      <b class="numeral">{Math.round(sheet.covered)}</b> of
      <b class="numeral">{Math.round(sheet.demand)}</b>
      <span class="soft">needed reps covered</span>
      <span class="rail"><span style:width={`${share * 100}%`}></span></span>
    </p>
    <p>
      <b class="numeral">{most(sheet.load.map((l) => l.hardMinutes))}</b>
      <span class="soft">live min and</span>
      <b class="numeral">{most(sheet.load.map((l) => l.jumps))}</b>
      <span class="soft">jumps at most for one player</span>
    </p>
  </section>
  {#each sheet.warnings.filter((w) => !w.block) as w (w.text)}
    <p class="warn">{w.text} <span class="soft">{w.source}.</span></p>
  {/each}
{/if}

<style>
  section {
    display: flex;
    gap: 0.4rem 1.75rem;
    flex-wrap: wrap;
  }
  b {
    font-size: 1.7rem;
    line-height: 1;
  }
  .rail {
    display: block;
    height: 8px;
    background: var(--seam);
  }
  .rail span {
    display: block;
    height: 100%;
    background: var(--tape-blue);
  }
</style>
