<script lang="ts">
  import { session } from '$lib/state/session.svelte';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import AfterRep from './AfterRep.svelte';
  import { type Floor } from './floor.svelte';
  import { isShot, type Logged } from './replog.svelte';
  import Button from '$lib/ui/Button.svelte';

  // What was logged last, newest first; a tap opens it.
  let { floor, onopen }: { floor: Floor; onopen: (l: Logged | null) => void } = $props();

  const shown = 14;
  const recent = $derived(floor.log.slice(-shown).reverse());
</script>

<footer
  class="grid grid-cols-[minmax(0,_1fr)_auto] gap-y-2 gap-x-4 items-center py-2 px-4 border-t border-t-seam bg-sheet min-h-[4.2rem] max-sm:sticky max-sm:bottom-0 max-sm:gap-2 max-sm:py-1 max-sm:px-3"
  aria-label="Logged"
>
  {#if floor.last && !floor.scoring && !isShot(floor.last)}<div
      class="after col-span-full min-w-0 max-sm:[grid-column:1]"
    >
      <AfterRep {floor} rep={floor.last} />
    </div>{/if}
  <ol class="quiet-list relative flex gap-2 overflow-hidden max-sm:[.after+&]:hidden">
    {#each recent as l (l.event.id)}
      {@const p = floor.players.get(l.event.player ?? '')}
      <li>
        <button
          class="flex items-center gap-1 min-h-12 py-1 px-2 border-b-4 border-b-(--tape-green) text-inherit whitespace-nowrap cursor-pointer [&.wrong]:border-b-4 [&.wrong]:border-b-(--tape-orange) [&.wrong]:[border-bottom-style:dashed]"
          class:wrong={!l.correct}
          onclick={() => onopen(l)}
        >
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
      <Button disabled={!floor.last || floor.frozen} onclick={() => floor.undo()}>Undo</Button>
    {/if}
    <button
      class="count soft whitespace-nowrap min-h-12 underline cursor-pointer"
      onclick={() => onopen(null)}><b class="numeral">{floor.log.length}</b> logged</button
    >
  </div>
</footer>
