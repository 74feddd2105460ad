<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import { perMinute, type SheetDrag } from './sheetdrag.svelte';

  // What a thumb takes hold of to move the chosen block: the block itself scrolls the page.
  let { drag, block, start }: { drag: SheetDrag; block: Schemas['Block']; start: number } = $props();

  const least = 3; // minutes of the sheet that a grip is high
</script>

<span
  class={['grip', block.basket === 2 && 'basket2']}
  aria-hidden="true"
  style:top={`${start * perMinute}px`}
  style:height={`${Math.max(least, block.minutes) * perMinute - 2}px`}
  onpointerdown={(e) => drag.press(e, block.id, 'move')}
  onpointermove={drag.pull}
  onpointerup={drag.drop}
></span>

<style>
  .grip {
    position: absolute;
    left: 0;
    width: 3rem;
    z-index: 4;
    cursor: grab;
    touch-action: none;
    background: radial-gradient(var(--line) 2px, transparent 2.5px) 50% 50% / 9px 9px;
    clip-path: inset(calc(50% - 18px) 30%);
  }
  .grip.basket2 {
    left: calc(3rem + (100% - 3.5rem) / 2 - 2.2rem);
  }
</style>
