<script lang="ts">
  import { shelves } from '$lib/drills/library';
  import { session } from '$lib/state/session.svelte';
  import { drillBlock, newBlock, type Draft } from './draft.svelte';

  let { draft }: { draft: Draft } = $props();

  /** Blocks of a coach's own, with their usual minutes (common practice, no source). */
  const own: [string, number][] = [
    ['Warm-up: run, land, change direction', 10],
    ['Ball handling and layups, both sides', 9],
    ['Talk', 4],
    ['Film', 10],
    ['Scrimmage', 12],
    ['Free throws and one thing learned', 8],
    ['Own block', 10]
  ];

  function addDrill(e: Event) {
    const field = e.currentTarget as HTMLSelectElement;
    const d = session.drills.find((x) => x.id === field.value);
    field.value = '';
    if (!d) return;
    // The shown rung is where reads begin; a drill without it starts at its foot.
    const stage = d.stages.find((s) => s.rung === 'shown') ?? d.stages[0];
    if (stage) draft.add(drillBlock(d, stage.id, 10));
  }
  function addOwn(e: Event) {
    const field = e.currentTarget as HTMLSelectElement;
    const [title, minutes] = own[Number(field.value)] ?? [];
    if (field.value !== '' && title && minutes) draft.add(newBlock('own', title, minutes));
    field.value = '';
  }
</script>

<div class="add no-print" role="group" aria-label="Add a block">
  <select aria-label="Add a drill" value="" onchange={addDrill}>
    <option value="">+ Drill…</option>
    {#each shelves(session.catalogue, session.drills) as g (g.id)}
      <optgroup label={g.name}>
        {#each g.drills as d (d.id)}<option value={d.id}>{d.name}</option>{/each}
      </optgroup>
    {/each}
  </select>
  <select aria-label="Add an own block" value="" onchange={addOwn}>
    <option value="">+ Own block…</option>
    {#each own as [title], i (title)}<option value={i}>{title}</option>{/each}
  </select>
  <button class="tape plain" onclick={() => draft.add(newBlock('water', 'Water', 2))}>+ Water</button>
</div>

<style>
  .add {
    display: grid;
    grid-template-columns: 1fr 1.3fr auto;
    gap: 0.5rem;
  }
  select {
    min-height: 48px;
    min-width: 0;
    border: 2px solid var(--line);
    background-color: var(--board);
    color: var(--ink);
    font: inherit;
    font-weight: 700;
    cursor: pointer;
  }
  .tape {
    padding: 0 0.8rem;
    font-weight: 400;
  }
</style>
