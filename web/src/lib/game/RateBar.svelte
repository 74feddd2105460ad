<script lang="ts">
  // A rate as a length, with the range that holds it where there is one.
  let { rate, low, high }: { rate: number; low?: number; high?: number } = $props();
  const per = (x: number) => `${Math.round(100 * x)}%`;
</script>

<span class="rail" aria-hidden="true">
  {#if low !== undefined && high !== undefined}
    <span class="range" style:left={per(low)} style:width={per(high - low)}></span>
    <span class="dot" style:left={per(rate)}></span>
  {:else}
    <span class="fill" style:width={per(rate)}></span>
  {/if}
</span>

<style>
  .rail {
    position: relative;
    display: inline-block;
    width: 100%;
    min-width: 3.5rem;
    height: 12px;
    background: var(--floor);
    border-bottom: 1px solid var(--line);
  }
  .fill,
  .range {
    position: absolute;
    inset: 0 auto 0 0;
    background: var(--line);
  }
  .fill {
    background: var(--ink);
  }
  .dot {
    position: absolute;
    top: -2px;
    width: 4px;
    height: 16px;
    margin-left: -2px;
    background: var(--ink);
  }
</style>
