<script lang="ts">
  import { session } from '$lib/state/session.svelte';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import AfterRep from './AfterRep.svelte';
  import { isShot, type Floor, type Logged } from './floor.svelte';

  // What was logged last, newest first; a tap opens it.
  let { floor, onopen }: { floor: Floor; onopen: (l: Logged | null) => void } = $props();

  const shown = 14;
  const recent = $derived(floor.log.slice(-shown).reverse());
</script>

<footer aria-label="Logged">
  {#if floor.last && !floor.scoring && !isShot(floor.last)}<div class="after">
      <AfterRep {floor} rep={floor.last} />
    </div>{/if}
  <ol class="quiet-list relative">
    {#each recent as l (l.event.id)}
      {@const p = floor.players.get(l.event.player ?? '')}
      <li>
        <button class:wrong={!l.correct} onclick={() => onopen(l)}>
          <span class="numeral">{p?.jersey}</span>
          <ReadGlyph read={l.event.made ?? ''} size={26} />
          <span class="mark" aria-hidden="true">{l.correct ? '✓' : '✕'}</span>
          <span class="visually-hidden">
            {#if isShot(l)}{p?.name}: {l.correct ? 'made' : 'missed'}{:else}{p?.name}: {session.readName(
                l.event.made ?? ''
              )}, {l.correct ? 'correct' : `wrong, ${session.readName(l.expected)} was asked`}{/if}
          </span>
        </button>
      </li>
    {:else}
      <li class="soft">Nothing logged yet. Tap what you see; the order moves on by itself.</li>
    {/each}
  </ol>
  <div class="flex items-center gap-4">
    {#if !floor.scoring && !floor.told.length}
      <button class="tape plain" disabled={!floor.last || floor.frozen} onclick={() => floor.undo()}
        >Undo</button
      >
    {/if}
    <button class="count soft" onclick={() => onopen(null)}
      ><b class="numeral">{floor.log.length}</b> logged</button
    >
  </div>
</footer>

<style>
  footer {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 0.4rem 1rem;
    align-items: center;
    padding: 0.5rem 1.25rem 0.6rem;
    border-top: 1px solid var(--seam);
    background: var(--sheet);
    min-height: 4.2rem;
  }
  .after {
    grid-column: 1 / -1;
    min-width: 0;
  }
  ol {
    display: flex;
    gap: 0.4rem;
    overflow: hidden;
  }
  li button {
    display: flex;
    align-items: center;
    gap: 0.3rem;
    min-height: 48px;
    padding: 0.2rem 0.5rem;
    border-bottom: 4px solid var(--tape-green);
    color: inherit;
    white-space: nowrap;
    cursor: pointer;
  }
  li .wrong {
    border-bottom: 4px dashed var(--tape-orange);
  }
  .count {
    white-space: nowrap;
    min-height: 48px;
    text-decoration: underline;
    cursor: pointer;
  }
  /* On a phone the strip is one row: what can be added, undo, and how many are logged. */
  @media (max-width: 700px) {
    footer {
      position: sticky;
      bottom: 0;
      gap: 0.4rem;
      padding: 0.3rem 0.75rem;
    }
    .after {
      grid-column: 1;
    }
    .after + ol {
      display: none;
    }
  }
</style>
