<script lang="ts">
  // A rate as a length, with the range that holds it where there is one.
  let { rate, low, high }: { rate: number; low?: number; high?: number } = $props();
  const per = (x: number) => `${Math.round(100 * x)}%`;
</script>

<span class="relative inline-block w-full min-w-14 h-3 bg-floor border-b border-b-line" aria-hidden="true">
  {#if low !== undefined && high !== undefined}
    <span
      class="range absolute [inset:0_auto_0_0] bg-line"
      style:left={per(low)}
      style:width={per(high - low)}
    ></span>
    <span class="absolute -top-[-2px] w-1 h-4 -ml-[-2px] bg-ink" style:left={per(rate)}></span>
  {:else}
    <span class="absolute [inset:0_auto_0_0] bg-ink" style:width={per(rate)}></span>
  {/if}
</span>
