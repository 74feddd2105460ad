<script lang="ts">
  import { session } from '$lib/state/session.svelte';
  import CueGlyph from '$lib/parts/CueGlyph.svelte';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import { tapeOf } from '$lib/parts/glyphs';
  import type { BenchLog } from './bench.svelte';

  // The first tap: what they showed, whose read it was, and whether it was made.
  let { log }: { log: BenchLog } = $props();

  let screener = $state(false);
  const table = $derived(log.table);
  const ball = $derived(table?.family.id === 'ball');
  const role = $derived<'cutter' | 'screener'>(screener ? 'screener' : 'cutter');
  const is = (cue: string, correct: boolean) =>
    log.seen?.cue === cue && log.seen.correct === correct && log.seen.role === role;
</script>

<section aria-label="What they showed">
  <div class="about">
    <select
      class="cell"
      aria-label="Situation"
      value={table?.screen}
      onchange={(e) => (log.screen = e.currentTarget.value)}
    >
      {#each log.tables as t (t.screen)}<option value={t.screen}>{session.screenName(t.screen)}</option
        >{/each}
    </select>
    <div role="radiogroup" aria-label="Whose read" class="whose">
      <button class="tape plain" role="radio" aria-checked={!screener} onclick={() => (screener = false)}
        >{ball ? 'Handler' : 'Cutter'}</button
      >
      <button class="tape plain" role="radio" aria-checked={screener} onclick={() => (screener = true)}
        >Screener</button
      >
    </div>
  </div>
  <div class="rows">
    {#each table?.rows ?? [] as row (row.cue)}
      {@const read = screener ? row.second : row.first}
      <div role="group" aria-label={session.cueName(row.cue)}>
        <span class="cue"><CueGlyph cue={row.cue} size={40} />{session.cueName(row.cue)}</span>
        <button
          class="read"
          style:--tape={tapeOf(read)}
          aria-pressed={is(row.cue, true)}
          aria-label={`${session.cueName(row.cue)}: made the read, ${session.readName(read).toLowerCase()}`}
          onclick={() => log.see({ cue: row.cue, role, read, correct: true })}
        >
          <ReadGlyph {read} size={40} /><span>{session.readName(read)}</span>
        </button>
        <button
          class="missed"
          aria-pressed={is(row.cue, false)}
          aria-label={`${session.cueName(row.cue)}: did not make the read`}
          onclick={() => log.see({ cue: row.cue, role, read, correct: false })}>did not</button
        >
      </div>
    {/each}
  </div>
</section>

<style>
  section {
    display: flex;
    flex-direction: column;
    gap: 0.5rem;
    min-width: 0;
  }
  .about {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 0.5rem;
  }
  .about select {
    min-height: 56px;
    font-size: 1.1rem;
  }
  .whose {
    display: flex;
  }
  .whose .tape {
    border-radius: 0;
    margin-left: -2px;
    min-height: 56px;
  }
  .rows {
    display: grid;
    gap: 0.4rem;
    flex: 1;
    grid-auto-rows: minmax(64px, 1fr);
    max-height: 34rem;
  }
  .rows > div {
    display: grid;
    grid-template-columns: 9.5rem minmax(0, 1fr) 6.2rem;
    gap: 0.4rem;
  }
  .cue {
    display: flex;
    align-items: center;
    gap: 0.6rem;
    font-weight: 700;
  }
  button.read,
  button.missed {
    display: flex;
    align-items: center;
    justify-content: center;
    gap: 0.7rem;
    border: 3px solid var(--seam);
    border-radius: 3px;
    background: var(--sheet);
    color: var(--ink);
    font: inherit;
    font-weight: 700;
    cursor: pointer;
    min-width: 0;
  }
  button.read {
    border-left: 12px solid var(--tape);
    justify-content: flex-start;
    padding-left: 0.9rem;
  }
  button.missed {
    border-style: dashed;
    color: var(--ink-soft);
  }
  [aria-pressed='true'] {
    background: var(--mark) !important;
    color: #07090b !important;
    border-color: var(--mark) !important;
  }
  [aria-pressed='true'] :global(svg) {
    color: #07090b !important;
  }
  @media (max-width: 700px) {
    .rows > div {
      grid-template-columns: 6.6rem minmax(0, 1fr) 4.6rem;
    }
    .cue {
      font-size: 0.95rem;
      gap: 0.3rem;
    }
    .about {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
