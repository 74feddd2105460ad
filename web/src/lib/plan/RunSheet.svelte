<script lang="ts">
  import { session } from '$lib/state/session.svelte';
  import type { Draft } from './draft.svelte';
  import { dropIndex, place } from './lanes';

  // The run sheet drawn to scale, time downward, a column for each end where both
  // are used. Blocks are moved by dragging and resized at their lower edge.
  let { draft }: { draft: Draft } = $props();

  const perMinute = 7.2; // px
  const roomy = 6; // minutes from which a block has room for two lines
  const tick = 10; // minutes
  const slack = 6; // px before a press becomes a drag

  let box = $state<HTMLElement>();
  let drag = $state<{ id: string; how: 'move' | 'size'; from: number; y: number; moved: boolean } | null>(
    null
  );

  const minutesOf = (y: number) => y / perMinute;
  // While an edge is dragged the sheet shows the new length; it is a change once
  // it is let go.
  const blocks = $derived.by(() => {
    if (drag?.how !== 'size') return draft.input.blocks;
    const by = Math.round(minutesOf(drag.y - drag.from));
    return draft.input.blocks.map((b) =>
      b.id === drag!.id ? { ...b, minutes: Math.min(60, Math.max(1, b.minutes + by)) } : b
    );
  });
  const placed = $derived(place(blocks));
  const total = $derived(Math.max(draft.input.minutes, ...placed.map((p) => Math.ceil(p.end))));
  const ticks = $derived(Array.from({ length: Math.floor(total / tick) + 1 }, (_, i) => i * tick));
  const twoEnds = $derived(blocks.some((b) => b.end > 0));
  const warned = $derived(new Set(draft.sheet?.warnings.map((w) => w.block)));
  const stageName = (drill: string, stage: string) =>
    session.drill(drill)?.stages.find((s) => s.id === stage)?.name ?? '';

  const target = $derived(
    drag?.how === 'move' && drag.moved && box
      ? dropIndex(placed, minutesOf(drag.y - box.getBoundingClientRect().top))
      : -1
  );
  const dropAt = $derived(target < 0 ? 0 : target < placed.length ? placed[target]!.start : total);

  function press(e: PointerEvent, id: string, how: 'move' | 'size') {
    if (e.button !== 0) return;
    draft.chosen = id;
    drag = { id, how, from: e.clientY, y: e.clientY, moved: false };
    (e.currentTarget as HTMLElement).setPointerCapture(e.pointerId);
    if (how === 'size') e.stopPropagation();
  }
  function pull(e: PointerEvent) {
    if (!drag) return;
    drag = { ...drag, y: e.clientY, moved: drag.moved || Math.abs(e.clientY - drag.from) > slack };
  }
  function drop() {
    if (!drag) return;
    const { id, how, moved } = drag;
    const size = blocks.find((b) => b.id === id)?.minutes ?? 0;
    const to = target;
    drag = null;
    if (how === 'size' && size !== draft.input.blocks.find((b) => b.id === id)?.minutes)
      draft.changeBlock(id, { minutes: size });
    if (how === 'move' && moved && to >= 0) draft.moveTo(id, to);
  }

  function keys(e: KeyboardEvent, id: string) {
    if (e.key === 'Escape') drag = null;
    const by = e.key === 'ArrowUp' ? -1 : e.key === 'ArrowDown' ? 1 : 0;
    if (by) {
      e.preventDefault();
      if (e.altKey) draft.move(id, by);
      else draft.choose(by);
      queueMicrotask(() => document.getElementById(`block-${draft.chosen}`)?.focus());
    }
    const b = draft.input.blocks.find((x) => x.id === id);
    if (b && (e.key === '+' || e.key === '=')) draft.changeBlock(id, { minutes: b.minutes + 1 });
    if (b && e.key === '-' && b.minutes > 1) draft.changeBlock(id, { minutes: b.minutes - 1 });
    if (e.key === 'Delete') draft.remove(id);
    if (e.key === 'p' && !e.ctrlKey && !e.metaKey) draft.togglePin(id);
  }
</script>

<div class="frame sheet">
  {#if twoEnds}
    <div class="ends" aria-hidden="true"><span>Basket 1</span><span>Basket 2</span></div>
  {/if}
  <div
    bind:this={box}
    class="scale"
    style:height={`${total * perMinute + 22}px`}
    role="listbox"
    aria-label="Run sheet"
    tabindex="-1"
  >
    {#each ticks as t (t)}
      <span class="tick numeral" style:top={`${t * perMinute}px`} aria-hidden="true">{t}</span>
    {/each}
    <span class="end" style:top={`${draft.input.minutes * perMinute}px`} aria-hidden="true"></span>
    {#if blocks.length === 0}
      <p class="empty">
        Nothing is planned yet. <b>Build practice</b> lays out a warm-up, what your players need most, water and
        a close; or add blocks yourself.
      </p>
    {/if}
    {#each placed as { block: b, start }, i (b.id)}
      {@const t = draft.sheet?.blocks.find((x) => x.id === b.id)}
      <button
        id={`block-${b.id}`}
        role="option"
        aria-selected={b.id === draft.chosen}
        class={`block ${b.kind} end${b.end}`}
        class:chosen={b.id === draft.chosen}
        class:bad={Boolean(t?.problem) || warned.has(b.id)}
        class:slim={b.minutes < roomy}
        class:lifted={drag?.how === 'move' && drag.moved && drag.id === b.id}
        style:top={`${start * perMinute}px`}
        style:height={`${Math.max(1, b.minutes) * perMinute - 2}px`}
        onclick={() => (draft.chosen = b.id)}
        onfocus={() => (draft.chosen = b.id)}
        onkeydown={(e) => keys(e, b.id)}
        onpointerdown={(e) => e.pointerType !== 'touch' && press(e, b.id, 'move')}
        onpointermove={pull}
        onpointerup={drop}
        onpointercancel={() => (drag = null)}
      >
        {#if b.pin}<span class="pin" title="Pinned"><span class="visually-hidden">Pinned. </span></span>{/if}
        <span class="what">
          <span class="title">{b.title}</span>
          {#if b.kind === 'drill'}<span class="stage">{stageName(b.drill, b.stage)}</span>{/if}
        </span>
        {#if t && b.kind === 'drill'}
          <span class="reps">
            {#if t.problem}cannot be run{:else}<b class="numeral">{t.reps}</b> reps{b.end ? '' : ','}
              <span class="each"
                ><b class="numeral">{t.perPlayer.toFixed(1)}</b>
                {session.drill(b.drill)?.screen ? 'cuts' : 'turns'} each</span
              >{/if}
          </span>
        {/if}
        <span class="numeral min">{b.minutes}′</span>
        <span
          class="edge"
          aria-hidden="true"
          data-index={i}
          onpointerdown={(e) => press(e, b.id, 'size')}
          onpointermove={pull}
          onpointerup={drop}
        ></span>
      </button>
      {#if b.id === draft.chosen}
        <span
          class={`grip end${b.end}`}
          aria-hidden="true"
          style:top={`${start * perMinute}px`}
          style:height={`${Math.max(3, b.minutes) * perMinute - 2}px`}
          onpointerdown={(e) => press(e, b.id, 'move')}
          onpointermove={pull}
          onpointerup={drop}
        ></span>
      {/if}
    {/each}
    {#if target >= 0}<span class="drop" style:top={`${dropAt * perMinute - 3}px`}></span>{/if}
  </div>
  {#if blocks.length}
    <p class="hint soft no-print">
      Drag a block to move it, its lower edge to change its length; <b>?</b> lists the keys.
    </p>
  {/if}
</div>

<style>
  .frame {
    padding-bottom: 0.25rem;
  }
  .ends {
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
  .block {
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
  .end1 {
    right: calc((100% - 3.5rem) / 2 + 0.5rem + 2px);
  }
  .end2 {
    left: calc(3rem + (100% - 3.5rem) / 2 + 2px);
  }
  .end1,
  .end2 {
    gap: 0.4rem;
    font-size: 0.92rem;
  }
  .end1 .each,
  .end2 .each {
    display: block;
  }
  .stage,
  .end1 .title,
  .end2 .title {
    display: block;
    white-space: nowrap;
    overflow: hidden;
    text-overflow: ellipsis;
  }
  .hint {
    padding: 0.2rem 0.75rem 0.4rem 3rem;
    font-size: 0.9rem;
  }
  .lifted {
    opacity: 0.45;
  }
  .drop {
    position: absolute;
    left: 2.4rem;
    right: 0.5rem;
    height: 6px;
    background: var(--mark);
    z-index: 5;
  }
  .drill {
    border-left-color: var(--tape-blue);
    background: color-mix(in srgb, var(--tape-blue) 11%, var(--sheet));
  }
  .water {
    border-left-color: var(--tape-teal);
    color: var(--tape-teal);
    background: var(--sheet);
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
    outline-offset: 0;
    z-index: 2;
  }
  .block:focus-visible {
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
  .grip.end2 {
    left: calc(3rem + (100% - 3.5rem) / 2 - 2.2rem);
  }
  .what {
    flex: 1;
    min-width: 0;
  }
  .drill .title {
    font-weight: 700;
  }
  .stage,
  .reps {
    display: block;
    font-size: 0.9rem;
  }
  .reps {
    text-align: right;
  }
  .min {
    min-width: 2.2rem;
    text-align: right;
    font-size: 1.05em;
  }
  @media (max-width: 560px) {
    .end1 .reps,
    .end2 .reps {
      display: none;
    }
    .each {
      display: block;
    }
  }
</style>
