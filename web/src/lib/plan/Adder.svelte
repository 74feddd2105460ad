<script lang="ts">
  import { session } from '$lib/state/session.svelte';
  import DrillSearch from './DrillSearch.svelte';
  import { drillBlock, newBlock, type Draft } from './draft.svelte';
  import Button from '$lib/ui/Button.svelte';

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

  function addDrill(id: string) {
    const d = session.drill(id);
    if (!d) return;
    // Reads begin at the guided rung; a drill without one starts at its lowest rung.
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

<div class="no-print grid grid-cols-[1fr_1.3fr_auto] gap-2" role="group" aria-label="Add a block">
  <DrillSearch onpick={addDrill} />
  <select
    class="min-h-12 min-w-0 cursor-pointer border-2 bg-(--board) font-bold text-(--ink)"
    style:border-color="var(--line)"
    aria-label="Add an own block"
    value=""
    onchange={addOwn}
  >
    <option value="">+ Own block…</option>
    {#each own as [title], i (title)}<option value={i}>{title}</option>{/each}
  </select>
  <Button class="px-3 font-normal" onclick={() => draft.add(newBlock('water', 'Water', 2))}>+ Water</Button>
</div>
