<script lang="ts">
  import { session } from '$lib/state/session.svelte';
  import type { Draft } from './draft.svelte';

  // The run sheet drawn to scale, time downward.
  let { draft }: { draft: Draft } = $props();

  const perMinute = 7.2; // px
  const roomy = 5; // minutes from which a block has room for two lines
  const tick = 10; // minutes

  const total = $derived(Math.max(draft.input.minutes, Math.ceil(draft.sheet?.used ?? 0)));
  const ticks = $derived(Array.from({ length: Math.floor(total / tick) + 1 }, (_, i) => i * tick));
  // Starts follow from the draft itself, so that the sheet moves at once.
  const starts = $derived.by(() => {
    let clock = 0;
    return draft.input.blocks.map((b) => {
      const at = clock;
      clock += Number.isFinite(b.minutes) ? b.minutes : 0;
      return at;
    });
  });
  const stageName = (drill: string, stage: string) =>
    session.drill(drill)?.stages.find((s) => s.id === stage)?.name ?? '';
  const warned = $derived(new Set(draft.sheet?.warnings.map((w) => w.block)));

  function keys(e: KeyboardEvent, id: string) {
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
  }
</script>

<div class="scale sheet" style:height={`${total * perMinute + 26}px`} role="listbox" aria-label="Run sheet">
  {#each ticks as t (t)}
    <span class="tick numeral" style:top={`${t * perMinute}px`} aria-hidden="true">{t}</span>
  {/each}
  <span class="end" style:top={`${draft.input.minutes * perMinute}px`} aria-hidden="true"></span>
  {#each draft.input.blocks as b, i (b.id)}
    {@const t = draft.sheet?.blocks.find((x) => x.id === b.id)}
    <button
      id={`block-${b.id}`}
      role="option"
      aria-selected={b.id === draft.chosen}
      class={`block ${b.kind}`}
      class:chosen={b.id === draft.chosen}
      class:bad={Boolean(t?.problem) || warned.has(b.id)}
      class:slim={b.minutes < roomy}
      style:top={`${(starts[i] ?? 0) * perMinute}px`}
      style:height={`${Math.max(1, b.minutes) * perMinute - 2}px`}
      onclick={() => (draft.chosen = b.id)}
      onfocus={() => (draft.chosen = b.id)}
      onkeydown={(e) => keys(e, b.id)}
    >
      <span class="what">
        <span class="title">{b.title}</span>
        {#if b.kind === 'drill'}<span class="stage">{stageName(b.drill, b.stage)}</span>{/if}
      </span>
      {#if t && b.kind === 'drill'}
        <span class="reps">
          {#if t.problem}cannot be run{:else}<b class="numeral">{t.reps}</b> reps,
            <b class="numeral">{t.perPlayer.toFixed(1)}</b> cuts each{/if}
        </span>
      {/if}
      <span class="numeral min">{b.minutes}′</span>
    </button>
  {/each}
</div>

<style>
  .scale {
    position: relative;
    padding-left: 3rem;
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
    cursor: pointer;
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
  .chosen {
    outline: 3px solid var(--mark);
    outline-offset: 0;
    z-index: 2;
  }
  .block:focus-visible {
    outline: 3px solid var(--focus);
    z-index: 3;
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
</style>
