<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import type { Asking } from './asking.svelte';

  // What can be answered, always in the same place on one type of situation.
  let {
    asking,
    pack,
    big = false
  }: { asking: Asking; pack: Schemas['TrainerPack']; big?: boolean } = $props();

  const nameOf = (id: string) => pack.reads.find((r) => r.id === id)?.name ?? id;
  const told = $derived(asking.phase === 'told');
</script>

<div class="choices" class:big role="group" aria-label="What do you do?">
  {#each asking.item?.choices ?? [] as c (c)}
    <button
      class:right={told && c === asking.item?.right}
      class:wrong={told && c === asking.choice && c !== asking.item?.right}
      disabled={asking.phase !== 'asked'}
      aria-pressed={told && c === asking.choice}
      onclick={() => asking.answer(c)}
    >
      <ReadGlyph read={c} size={big ? 56 : 40} />
      <span>{nameOf(c)}</span>
    </button>
  {/each}
</div>

<style>
  .choices {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(6.4rem, 1fr));
    gap: 0.55rem;
  }
  .choices.big {
    grid-template-columns: repeat(auto-fit, minmax(9rem, 1fr));
  }
  button {
    display: grid;
    justify-items: center;
    gap: 0.15rem;
    min-height: 5.4rem;
    padding: 0.5rem 0.3rem;
    border: 2px solid var(--line);
    border-radius: 0.3rem;
    background: var(--sheet);
    font-weight: 700;
    touch-action: manipulation;
  }
  .big button {
    font-size: 1.5rem;
    min-height: 7rem;
  }
  button:disabled {
    border-color: var(--seam);
  }
  button:disabled:not(.right, .wrong) {
    opacity: 0.55;
  }
  button.right {
    border-color: var(--ink);
    box-shadow: inset 0 0 0 3px var(--mark);
    opacity: 1;
  }
  button.wrong span {
    text-decoration: line-through;
  }
</style>
