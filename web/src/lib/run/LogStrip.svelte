<script lang="ts">
  import { session } from '$lib/state/session.svelte';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import type { Floor } from './floor.svelte';

  // What was logged last, newest first; a wrong answer can be tagged.
  let { floor }: { floor: Floor } = $props();

  const shown = 14;
  const recent = $derived(floor.log.slice(-shown).reverse());
  const last = $derived(floor.last);
  const groups = $derived(
    last?.event.role === 'screener' ? ['screen', 'spacing'] : ['read', 'timing', 'use']
  );
  const tags = $derived((session.catalogue?.corrections ?? []).filter((c) => groups.includes(c.group)));
</script>

<footer aria-label="Logged">
  {#if last && !last.right}
    <div class="tags" role="group" aria-label="What went wrong">
      {#each tags as t (t.id)}
        <button
          class="tape plain"
          aria-pressed={last.event.corrections?.includes(t.id) ?? false}
          onclick={() => floor.tag(t.id)}>{t.name}</button
        >
      {/each}
    </div>
  {/if}
  <ol class="quiet-list">
    {#each recent as l (l.event.id)}
      {@const p = floor.players.get(l.event.player ?? '')}
      <li class:wrong={!l.right} title={`${p?.name}: ${session.readName(l.event.made ?? '')}`}>
        <span class="numeral">{p?.jersey}</span>
        <ReadGlyph read={l.event.made ?? ''} size={26} />
        <span class="mark" aria-hidden="true">{l.right ? '✓' : '✕'}</span>
        <span class="visually-hidden">
          {p?.name}: {session.readName(l.event.made ?? '')}, {l.right
            ? 'right'
            : `wrong, ${session.readName(l.expected)} was asked`}
        </span>
      </li>
    {:else}
      <li class="soft">Nothing logged yet. Tap what you see; the order moves on by itself.</li>
    {/each}
  </ol>
  <p class="soft count"><b class="numeral">{floor.log.length}</b> logged</p>
</footer>

<style>
  footer {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 0.4rem 1rem;
    align-items: center;
    padding: 0.5rem 1.25rem 0.75rem;
    border-top: 1px solid var(--seam);
    background: var(--sheet);
    min-height: 4.2rem;
  }
  .tags {
    grid-column: 1 / -1;
    display: flex;
    gap: 0.4rem;
    overflow-x: auto;
    padding-bottom: 0.2rem;
  }
  .tags .tape {
    white-space: nowrap;
    padding: 0 0.8rem;
    font-weight: 400;
  }
  ol {
    display: flex;
    gap: 0.4rem;
    overflow: hidden;
  }
  li {
    display: flex;
    align-items: center;
    gap: 0.3rem;
    padding: 0.2rem 0.5rem;
    border-bottom: 4px solid var(--tape-green);
    white-space: nowrap;
  }
  li.soft {
    border: 0;
    white-space: normal;
  }
  li.wrong {
    border-bottom: 4px dashed var(--tape-orange);
  }
  .count {
    white-space: nowrap;
  }
  @media (max-width: 700px) {
    footer {
      padding: 0.4rem 0.75rem;
    }
  }
</style>
