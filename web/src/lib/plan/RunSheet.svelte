<script lang="ts">
  import type { Draft } from './draft.svelte';
  import SheetBlock from './SheetBlock.svelte';
  import { perMinute, SheetDrag } from './sheetdrag.svelte';

  // The run sheet drawn to scale, time downward, a column for each basket where both
  // are used. Blocks are moved by dragging and resized at their lower edge.
  let { draft }: { draft: Draft } = $props();

  const tick = 10; // minutes

  let box = $state<HTMLElement>();
  // A page has one draft, from its opening to its end.
  // svelte-ignore state_referenced_locally
  const drag = new SheetDrag(draft, () => box?.getBoundingClientRect().top);
  const ticks = $derived(Array.from({ length: Math.floor(drag.total / tick) + 1 }, (_, i) => i * tick));
  const bothBaskets = $derived(drag.blocks.some((b) => b.basket > 0));
</script>

<div class="frame sheet">
  {#if bothBaskets}
    <div class="baskets" aria-hidden="true"><span>Basket 1</span><span>Basket 2</span></div>
  {/if}
  <div
    bind:this={box}
    class="scale"
    style:height={`${drag.total * perMinute + 22}px`}
    role="listbox"
    aria-label="Run sheet"
    tabindex="-1"
  >
    {#each ticks as t (t)}
      <span class="tick numeral" style:top={`${t * perMinute}px`} aria-hidden="true">{t}</span>
    {/each}
    <span class="end" style:top={`${draft.input.minutes * perMinute}px`} aria-hidden="true"></span>
    {#if drag.blocks.length === 0}
      <p class="empty">
        Nothing is planned yet. <b>Build practice</b> lays out a warm-up, what your players need most, water and
        a close; or add blocks yourself.
      </p>
    {/if}
    {#each drag.placed as { block, start } (block.id)}
      <SheetBlock {draft} {drag} {block} {start} />
    {/each}
    {#if drag.target >= 0}<span class="drop" style:top={`${drag.dropAt * perMinute - 3}px`}></span>{/if}
  </div>
  {#if drag.blocks.length}
    <p class="hint soft no-print">
      Drag a block to move it, its lower edge to change its length; <b>?</b> lists the keys.
    </p>
  {/if}
</div>

<style>
  .frame {
    padding-bottom: 0.25rem;
  }
  .baskets {
    display: grid;
    grid-template-columns: 1fr 1fr;
    margin: 0 0.5rem 0 3rem;
    padding: 0.3rem 0;
    font-size: 0.9rem;
    font-weight: 700;
    color: var(--ink-soft);
    border-bottom: 1px solid var(--seam);
  }
  .scale {
    position: relative;
    margin-top: 2px;
  }
  .tick {
    position: absolute;
    left: 0.6rem;
    transform: translateY(-0.1rem);
    color: var(--ink-soft);
    font-size: 0.95rem;
  }
  .end {
    position: absolute;
    left: 0;
    right: 0;
    border-top: 3px solid var(--ink);
  }
  .empty {
    position: absolute;
    left: 3rem;
    right: 1.5rem;
    top: 1.5rem;
    max-width: 26rem;
  }
  .hint {
    padding: 0.2rem 0.75rem 0.4rem 3rem;
    font-size: 0.9rem;
  }
  .drop {
    position: absolute;
    left: 2.4rem;
    right: 0.5rem;
    height: 6px;
    background: var(--mark);
    z-index: 5;
  }
</style>
