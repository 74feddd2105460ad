<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import type { Asking } from './asking.svelte';

  // What can be answered, always in the same place on one action.
  let { asking, pack, big = false }: { asking: Asking; pack: Schemas['QuizPack']; big?: boolean } = $props();

  const nameOf = (id: string) => pack.reads.find((r) => r.id === id)?.name ?? id;
  const told = $derived(asking.phase === 'told');
</script>

<div
  class="choices grid grid-cols-[repeat(auto-fit,_minmax(6.4rem,_1fr))] gap-2 [&.big]:grid-cols-[repeat(auto-fit,_minmax(9rem,_1fr))]"
  class:big
  role="group"
  aria-label="What do you do?"
>
  {#each asking.item?.choices ?? [] as c (c)}
    <button
      class="grid justify-items-center gap-[0.15rem] min-h-[5.4rem] py-2 px-1 border-2 border-line [border-radius:0.3rem] bg-sheet font-bold touch-manipulation [.big_&]:text-xl [.big_&]:min-h-28 disabled:border-seam [&.right]:border-ink [&.right]:[box-shadow:inset_0_0_0_3px_var(--mark)] [&.right]:opacity-100 disabled:[&:not(.right,_.wrong)]:opacity-55"
      class:right={told && c === asking.item?.right}
      class:wrong={told && c === asking.choice && c !== asking.item?.right}
      disabled={asking.phase !== 'asked'}
      aria-pressed={told && c === asking.choice}
      onclick={() => asking.answer(c)}
    >
      <ReadGlyph read={c} size={big ? 56 : 40} />
      <span class="[button.wrong_&]:line-through">{nameOf(c)}</span>
    </button>
  {/each}
</div>
