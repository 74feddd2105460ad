<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import { session } from '$lib/state/session.svelte';
  import type { Draft } from './draft.svelte';
  import SheetGrip from './SheetGrip.svelte';
  import { perMinute, type SheetDrag } from './sheetdrag.svelte';

  // A block of the run sheet, as high as it is long. It is moved by dragging and by keys.
  let {
    draft,
    drag,
    block: b,
    start
  }: { draft: Draft; drag: SheetDrag; block: Schemas['Block']; start: number } = $props();

  const roomy = 6; // minutes from which a block has room for two lines
  const totals = $derived(draft.sheet?.blocks.find((x) => x.id === b.id));
  const comma = $derived(b.basket || b.minutes < roomy ? '' : ','); // before what there is room for
  const chosen = $derived(b.id === draft.chosen);
  const warned = $derived(draft.sheet?.warnings.some((w) => w.block === b.id) ?? false);
  const stage = $derived(session.drill(b.drill)?.stages.find((s) => s.id === b.stage)?.name ?? '');

  function keys(e: KeyboardEvent) {
    if (e.key === 'Escape') drag.cancel();
    const by = e.key === 'ArrowUp' ? -1 : e.key === 'ArrowDown' ? 1 : 0;
    if (by) {
      e.preventDefault();
      if (e.altKey) draft.move(b.id, by);
      else draft.choose(by);
      queueMicrotask(() => document.getElementById(`block-${draft.chosen}`)?.focus());
    }
    if (e.key === '+' || e.key === '=') draft.changeBlock(b.id, { minutes: b.minutes + 1 });
    if (e.key === '-' && b.minutes > 1) draft.changeBlock(b.id, { minutes: b.minutes - 1 });
    if (e.key === 'Delete') draft.remove(b.id);
    if (e.key === 'p' && !e.ctrlKey && !e.metaKey) draft.togglePin(b.id);
  }
</script>

<button
  id={`block-${b.id}`}
  role="option"
  aria-selected={chosen}
  class={['tile', b.kind, `basket${b.basket}`, b.kind === 'water' && 'text-(--tape-teal)']}
  class:chosen
  class:bad={Boolean(totals?.problem) || warned}
  class:slim={b.minutes < roomy}
  class:opacity-45={drag.lifts(b.id)}
  style:top={`${start * perMinute}px`}
  style:height={`${Math.max(1, b.minutes) * perMinute - 2}px`}
  onclick={() => (draft.chosen = b.id)}
  onfocus={() => (draft.chosen = b.id)}
  onkeydown={keys}
  onpointerdown={(e) => e.pointerType !== 'touch' && drag.press(e, b.id, 'move')}
  onpointermove={drag.pull}
  onpointerup={drag.drop}
  onpointercancel={drag.cancel}
>
  {#if b.pin}<span class="pin" title="Pinned"><span class="visually-hidden">Pinned. </span></span>{/if}
  <span class="min-w-0 flex-1">
    <span class={['title', b.kind === 'drill' && 'font-bold']}>{b.title}</span>
    {#if b.kind === 'drill'}<span class="stage block text-sm">{stage}</span>{/if}
  </span>
  {#if totals && b.kind === 'drill'}
    <span class="reps block text-right text-sm">
      {#if totals.problem}cannot be run{:else}<b class="numeral">{totals.reps}</b> reps{comma}
        <span class="each"
          ><b class="numeral">{totals.perPlayer.toFixed(1)}</b>
          {session.drill(b.drill)?.action ? 'cuts' : 'turns'} each</span
        >{/if}
    </span>
  {/if}
  <span class="numeral min-w-9 text-right text-[1.05em]">{b.minutes}′</span>
  <span
    class="edge"
    aria-hidden="true"
    onpointerdown={(e) => drag.press(e, b.id, 'size')}
    onpointermove={drag.pull}
    onpointerup={drag.drop}
  ></span>
</button>
{#if chosen}<SheetGrip {drag} block={b} {start} />{/if}

<style>
  .tile {
    position: absolute;
    left: 3rem;
    right: 0.5rem;
    display: flex;
    align-items: flex-start;
    gap: 0.75rem;
    padding: 0.25rem 0.7rem;
    overflow: hidden;
    text-align: left;
    font: inherit;
    font-size: 0.98rem;
    line-height: 1.25;
    color: var(--ink);
    background: var(--floor);
    border: 1px solid var(--seam);
    border-left: 6px solid var(--line);
    cursor: grab;
    touch-action: pan-y;
  }
  .basket1 {
    right: calc((100% - 3.5rem) / 2 + 0.5rem + 2px);
  }
  .basket2 {
    left: calc(3rem + (100% - 3.5rem) / 2 + 2px);
  }
  .basket1,
  .basket2 {
    gap: 0.4rem;
    font-size: 0.92rem;
  }
  .basket1 .each,
  .basket2 .each {
    display: block;
  }
  .stage,
  .basket1 .title,
  .basket2 .title {
    display: block;
    white-space: nowrap;
    overflow: hidden;
    text-overflow: ellipsis;
  }
  .water {
    border-left-color: var(--tape-teal);
    background: var(--sheet);
  }
  .drill {
    border-left-color: var(--tape-blue);
    background: color-mix(in srgb, var(--tape-blue) 11%, var(--sheet));
  }
  .bad {
    border-left-style: dashed;
    border-left-color: var(--tape-orange);
  }
  .slim {
    padding-block: 0;
    align-items: center;
    font-size: 0.8rem;
    line-height: 1;
  }
  .slim .stage,
  .slim .each {
    display: none;
  }
  .chosen {
    outline: 3px solid var(--mark);
    z-index: 2;
  }
  .tile:focus-visible {
    outline: 3px solid var(--focus);
    z-index: 3;
  }
  .pin {
    flex: none;
    width: 12px;
    height: 12px;
    margin-top: 0.25rem;
    border-radius: 50%;
    background: var(--ink);
  }
  .slim .pin {
    margin: 0;
    width: 9px;
    height: 9px;
  }
  .edge {
    position: absolute;
    left: 0;
    right: 0;
    bottom: 0;
    height: 10px;
    cursor: ns-resize;
    touch-action: none;
  }
  .chosen .edge::after {
    content: '';
    position: absolute;
    left: 50%;
    bottom: 2px;
    width: 36px;
    margin-left: -18px;
    border-top: 3px solid var(--line);
  }
  .slim .edge {
    height: 5px;
  }
  @media (max-width: 560px) {
    .basket1 .reps,
    .basket2 .reps {
      display: none;
    }
    .each {
      display: block;
    }
  }
</style>
