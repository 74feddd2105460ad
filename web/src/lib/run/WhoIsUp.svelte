<script lang="ts">
  import { session } from '$lib/state/session.svelte';
  import CueGlyph from '$lib/parts/CueGlyph.svelte';

  import type { Floor } from './floor.svelte';

  let { floor }: { floor: Floor } = $props();

  const rep = $derived(floor.rep);
  const who = (id: string) => floor.players.get(id);
  const total = $derived(floor.current?.order?.reps.length ?? 0);
  const twoEnds = $derived((floor.current?.order?.baskets ?? 1) > 1);
  /** The drill's own names of its places. */
  const places = $derived(
    session.drill(floor.current?.block.drill ?? '')?.positions.filter((p) => !p.helper) ?? []
  );
  const shows = $derived(floor.current?.stage?.coachShows ? 'Coach shows' : 'Named');
</script>

<section aria-label="Who is up">
  <div class="line">
    <button class="tape plain" aria-label="Rep before" onclick={() => floor.skip(-1)}>‹</button>
    {#if rep}
      <p>
        Rep <b class="numeral">{rep.no}</b> of <span class="numeral">{total}</span>, <b>{rep.side}</b>
        {#if twoEnds}side, end <b class="numeral">{rep.basket}</b>{:else}side{/if}
      </p>
    {:else}
      <p>All {total} reps are logged</p>
    {/if}
    <button class="tape plain" aria-label="Rep after" onclick={() => floor.skip(1)}>›</button>
  </div>
  {#if rep}
    {@const c = who(rep.cutter)}
    {@const s = who(rep.screener)}
    <div class="pair">
      <div class:judged={floor.role === 'cutter'}>
        <span class="soft">{places[0]?.name ?? 'Cuts'}</span>
        <span class="numeral jersey">{c?.jersey}</span>
        <span class="name">{c?.name}</span>
      </div>
      {#if s}
        <div class:judged={floor.role === 'screener'}>
          <span class="soft">{places[1]?.name ?? 'Screens'}</span>
          <span class="numeral jersey">{s.jersey}</span>
          <span class="name">{s.name}</span>
        </div>
      {/if}
    </div>
    {#if rep.others?.length}
      <p class="defence">
        {#each rep.others as o (o.position)}
          <span class="place"
            ><span class="soft">{places.find((p) => p.id === o.position)?.name ?? o.position}</span>
            <b class="numeral">{who(o.player)?.jersey}</b>
            {who(o.player)?.name}</span
          >
        {/each}
      </p>
    {/if}
    {#if rep.xCutter}
      <p class="defence">
        <span class="soft">Defend</span>
        {#if rep.xOthers?.length}
          {#each [rep.xCutter, rep.xScreener, ...rep.xOthers.map((o) => o.player)] as id (id)}
            <span class="place"><b class="numeral">{who(id)?.jersey}</b> {who(id)?.name}</span>
          {/each}
        {:else}
          <b class="numeral">{who(rep.xCutter)?.jersey}</b>
          {who(rep.xCutter)?.name} on the {(places[0]?.name ?? 'cutter').toLowerCase()},
          <b class="numeral">{who(rep.xScreener)?.jersey}</b>
          {who(rep.xScreener)?.name} on the {(places[1]?.name ?? 'screener').toLowerCase()}
        {/if}
      </p>
    {/if}
    {#if floor.known && rep.cue !== 'none'}
      <p class="cue">
        <CueGlyph cue={rep.cue} size={150} /><span
          ><span class="soft">{shows}</span> {session.cueName(rep.cue)}</span
        >
      </p>
    {/if}
  {/if}
  <div class="switches">
    <div role="radiogroup" aria-label="Who is judged">
      {#each [['cutter', 'Cutter'], ['screener', 'Screener'], ['both', 'Both']] as [id, label] (id)}
        <button
          class="tape plain"
          role="radio"
          aria-checked={floor.judge === id}
          onclick={() => (floor.judge = id as Floor['judge'])}>{label}</button
        >
      {/each}
    </div>
    {#if twoEnds}
      <div role="radiogroup" aria-label="Which end is logged here">
        {#each [[0, 'Both ends'], [1, 'End 1'], [2, 'End 2']] as const as [n, label] (n)}
          <button
            class="tape plain"
            role="radio"
            aria-checked={floor.end === n}
            onclick={() => (floor.end = n)}>{label}</button
          >
        {/each}
      </div>
    {/if}
  </div>
</section>

<style>
  .place {
    white-space: nowrap;
    margin-right: 0.8rem;
  }
  section {
    display: flex;
    flex-direction: column;
    gap: 0.8rem;
    min-width: 0;
  }
  .line {
    display: flex;
    justify-content: space-between;
    align-items: center;
    gap: 0.5rem;
  }
  .line .tape {
    min-width: 64px;
    font-size: 1.6rem;
  }
  .pair {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 0.75rem;
  }
  .pair > div {
    display: grid;
    grid-template-columns: auto 1fr;
    align-items: baseline;
    gap: 0 0.7rem;
    padding: 0.6rem 0.9rem;
    background: var(--sheet);
    border-left: 8px solid var(--seam);
    min-width: 0;
  }
  .pair > div.judged {
    border-left-color: var(--mark);
  }
  .pair .soft {
    grid-column: 1 / -1;
  }
  .jersey {
    font-size: clamp(3rem, 6vw, 5rem);
    line-height: 0.95;
  }
  .name {
    font-size: clamp(1.4rem, 2.4vw, 2rem);
    font-weight: 700;
    overflow: hidden;
    text-overflow: ellipsis;
  }
  .cue {
    display: flex;
    align-items: center;
    gap: 0.9rem;
    font-size: clamp(2.2rem, 5.5vw, 4.4rem);
    font-weight: 700;
    line-height: 1;
    flex: 1;
  }
  .cue :global(svg) {
    width: clamp(60px, 16vh, 190px);
    height: auto;
  }
  .cue .soft {
    display: block;
    font-size: 1.1rem;
    font-weight: 400;
  }
  .defence {
    font-size: 1.15rem;
  }
  .switches {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem 1.25rem;
    margin-top: auto;
  }
  .switches > div {
    display: flex;
  }
  .switches .tape {
    padding: 0 0.8rem;
    font-weight: 400;
    border-radius: 0;
    margin-left: -2px;
  }
  .switches .tape[aria-checked='true'] {
    font-weight: 700;
  }
  @media (max-width: 700px) {
    section {
      display: contents;
    }
    .switches {
      order: 9;
    }
    .line .tape {
      min-width: 56px;
    }
    .pair > div {
      padding: 0.3rem 0.6rem;
    }
    .switches .tape {
      padding: 0 0.55rem;
      font-size: 0.95rem;
    }
    .cue {
      font-size: 1.9rem;
      height: 60px;
    }
    .cue :global(svg) {
      width: 70px;
    }
  }
</style>
