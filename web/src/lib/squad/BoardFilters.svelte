<script lang="ts">
  import { session } from '$lib/state/session.svelte';
  import { partNames, periods, type BoardView, type Part } from './board.svelte';

  // What the board is about, and in which order.
  let { view }: { view: BoardView } = $props();

  const rungs = $derived(session.catalogue?.ladder.filter((r) => r.reads) ?? []);
  const parts = Object.entries(partNames) as [Part, string][];
  const set = (change: () => void) => () => {
    change();
    view.load();
  };
</script>

<div class="filters no-print" role="group" aria-label="What the board shows">
  <label
    ><span>Part</span><select class="cell" bind:value={view.part} onchange={set(() => {})}>
      {#each parts as [id, name] (id)}<option value={id}>{name}</option>{/each}
    </select></label
  >
  <label
    ><span>Rung</span><select class="cell" bind:value={view.rung} onchange={set(() => {})}>
      <option value="">All rungs</option>
      {#each rungs as r (r.id)}<option value={r.id}>{r.number} {r.name}</option>{/each}
    </select></label
  >
  <label
    ><span>Side</span><select class="cell" bind:value={view.side} onchange={set(() => {})}>
      <option value="">Both sides</option><option value="right">Right</option><option value="left"
        >Left</option
      >
    </select></label
  >
  <label
    ><span>Period</span><select class="cell" bind:value={view.period} onchange={set(() => {})}>
      {#each periods as p (p.id)}<option value={p.id}>{p.name}</option>{/each}
    </select></label
  >
  {#if view.period === 'own'}
    <label
      ><span>From</span><input
        type="date"
        class="cell"
        bind:value={view.from}
        onchange={set(() => {})}
      /></label
    >
    <label
      ><span>Until</span><input
        type="date"
        class="cell"
        bind:value={view.until}
        onchange={set(() => {})}
      /></label
    >
  {/if}
  <label
    ><span>Order</span><select class="cell" bind:value={view.order}>
      <option value="book">As in the book</option><option value="need">What holds us back</option>
    </select></label
  >
</div>

<style>
  .filters {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem;
    margin-bottom: 0.7rem;
  }
  label {
    flex: 1 1 8.5rem;
    max-width: 13.5rem;
  }
  label span {
    display: block;
    font-size: 0.85rem;
    color: var(--ink-soft);
  }
  select {
    padding-right: 2rem;
  }
  @media (max-width: 760px) {
    .filters {
      flex-wrap: nowrap;
      overflow-x: auto;
      padding-bottom: 0.3rem;
    }
    label {
      flex: 0 0 9.5rem;
    }
  }
</style>
