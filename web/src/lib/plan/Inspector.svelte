<script lang="ts">
  import { session } from '$lib/state/session.svelte';
  import { drillBlock, newBlock, type Draft } from './draft.svelte';

  let { draft }: { draft: Draft } = $props();

  const b = $derived(draft.block);
  const drill = $derived(b ? session.drill(b.drill) : undefined);
  const timed = $derived(draft.sheet?.blocks.find((t) => t.id === b?.id));
  const said = $derived(draft.sheet?.warnings.filter((w) => w.block === b?.id) ?? []);

  const number = (e: Event) => Number((e.currentTarget as HTMLInputElement).value);
  function addDrill(e: Event) {
    const field = e.currentTarget as HTMLSelectElement;
    const d = session.drills.find((x) => x.id === field.value);
    field.value = '';
    if (!d) return;
    // The shown rung is where reads begin; a drill without it starts at its foot.
    const stage = d.stages.find((s) => s.rung === 'shown') ?? d.stages[0];
    if (stage) draft.add(drillBlock(d, stage.id, 10));
  }
  const text = (e: Event) => (e.currentTarget as HTMLInputElement | HTMLSelectElement).value;
</script>

<div class="add" role="group" aria-label="Add a block">
  <select aria-label="Add a drill" value="" onchange={addDrill}>
    <option value="">+ Drill…</option>
    {#each session.drills as d (d.id)}<option value={d.id}>{d.name}</option>{/each}
  </select>
  <button class="tape plain" onclick={() => draft.add(newBlock('own', 'Own block', 10))}>+ Own block</button>
  <button class="tape plain" onclick={() => draft.add(newBlock('water', 'Water', 2))}>+ Water</button>
</div>

{#if b}
  <section class="sheet block" aria-label="Chosen block">
    <label class="field">
      <span>Title</span>
      <input value={b.title} maxlength="60" onchange={(e) => draft.changeBlock(b.id, { title: text(e) })} />
    </label>
    {#if drill}
      <label class="field">
        <span>Stage</span>
        <select value={b.stage} onchange={(e) => draft.changeBlock(b.id, { stage: text(e) })}>
          {#each drill.stages as s (s.id)}<option value={s.id}
              >{session.rung(s.rung)?.number}. {s.name}</option
            >{/each}
        </select>
      </label>
    {/if}
    <div class="row">
      <label class="field">
        <span>Minutes</span>
        <input
          type="number"
          min="1"
          max="60"
          value={b.minutes}
          onchange={(e) => draft.changeBlock(b.id, { minutes: number(e) })}
        />
      </label>
      {#if drill}
        <label class="field">
          <span>Baskets</span>
          <select value={b.baskets} onchange={(e) => draft.changeBlock(b.id, { baskets: Number(text(e)) })}>
            {#each [1, 2, 3, 4, 5, 6] as n (n)}<option value={n}>{n}</option>{/each}
          </select>
        </label>
        <label class="field">
          <span>Seconds a rep</span>
          <input
            type="number"
            min="5"
            max="120"
            placeholder={String(drill.stages.find((s) => s.id === b.stage)?.seconds ?? '')}
            value={b.seconds || ''}
            onchange={(e) => draft.changeBlock(b.id, { seconds: number(e) })}
          />
        </label>
      {/if}
    </div>
    {#if timed?.problem}<p role="alert" class="problem">{timed.problem}</p>{/if}
    {#each timed?.notes ?? [] as n (n)}<p class="soft">{n}</p>{/each}
    {#each said as w (w.text)}<p class="warn">{w.text} <span class="soft">{w.source}.</span></p>{/each}
    <div class="row tools">
      <button class="tape plain" onclick={() => draft.move(b.id, -1)}>Earlier</button>
      <button class="tape plain" onclick={() => draft.move(b.id, 1)}>Later</button>
      <button class="tape plain" onclick={() => draft.remove(b.id)}>Take out</button>
    </div>
  </section>
{:else}
  <p class="soft">Choose a block on the sheet to change it, or add one.</p>
{/if}

<style>
  .add select {
    min-height: 48px;
    max-width: 16rem;
    border: 2px solid var(--line);
    background-color: var(--board);
    color: var(--ink);
    font: inherit;
    font-weight: 700;
    cursor: pointer;
  }
  .add,
  .row {
    display: flex;
    gap: 0.5rem;
    flex-wrap: wrap;
  }
  .add .tape,
  .tools .tape {
    min-height: 48px;
    padding: 0 0.8rem;
    font-weight: 400;
  }
  .block {
    display: grid;
    gap: 0.75rem;
    padding: 1rem;
  }
  .row > .field {
    flex: 1;
    min-width: 5.5rem;
  }
  .warn {
    border-left: 6px solid var(--tape-orange);
    padding-left: 0.7rem;
  }
  .problem {
    color: var(--alarm);
    font-weight: 700;
  }
</style>
