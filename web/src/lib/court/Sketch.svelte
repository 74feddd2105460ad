<script lang="ts">
  import type { Schemas } from '$lib/api/client';

  // A type of screen in a few strokes on half a floor: where the cut runs, where
  // the screen stands, where the ball is.
  let { sketch: k, size = 84 }: { sketch: Schemas['Action']['sketch']; size?: number } = $props();

  const bar = $derived.by(() => {
    if (!k) return '';
    const dx = k.to.x - k.from.x;
    const dy = -(k.to.y - k.from.y);
    const d = Math.hypot(dx, dy) || 1;
    const [nx, ny] = [(-dy / d) * 3.4, (dx / d) * 3.4];
    return `M${k.screener.x - nx} ${-k.screener.y - ny}L${k.screener.x + nx} ${-k.screener.y + ny}`;
  });
  const turn = $derived(k ? (Math.atan2(-(k.to.y - k.from.y), k.to.x - k.from.x) * 180) / Math.PI : 0);
</script>

<svg viewBox="-26 -30 52 37" width={size} height={(size * 37) / 52} aria-hidden="true" class="shrink-0">
  <path d="M-25 5H25M-6 5V-14H6V5M-20 5V-1A20 20 0 0 1 20 -1V5" class="lines" />
  {#if k}
    {#each k.others ?? [] as o, i (i)}<circle cx={o.x} cy={-o.y} r="1.7" class="other" />{/each}
    <path d={`M${k.from.x} ${-k.from.y}L${k.to.x} ${-k.to.y}`} class="cut" />
    <path d="M2 0L-3.5 -2.6V2.6Z" transform={`translate(${k.to.x} ${-k.to.y}) rotate(${turn})`} class="tip" />
    {#if k.set}<path d={bar} class="bar" />{:else}<circle
        cx={k.screener.x}
        cy={-k.screener.y}
        r="2.2"
        class="post"
      />{/if}
    <circle cx={k.ball.x} cy={-k.ball.y} r="2.6" class="ball" />
  {/if}
</svg>

<style>
  .lines {
    fill: none;
    stroke: var(--line);
    stroke-width: 0.7;
  }
  .cut {
    stroke: var(--ink);
    stroke-width: 1.5;
  }
  .tip {
    fill: var(--ink);
  }
  .bar {
    stroke: var(--ink);
    stroke-width: 2.6;
  }
  .post {
    fill: none;
    stroke: var(--ink);
    stroke-width: 1.4;
  }
  .other {
    fill: var(--line);
  }
  .ball {
    fill: #d9772b;
  }
</style>
