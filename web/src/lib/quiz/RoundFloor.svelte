<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { Schemas } from '$lib/api/client';
  import type { Asking } from './asking.svelte';
  import Choices from './Choices.svelte';
  import QuizFloor from './QuizFloor.svelte';

  // One question of a round as a crowd sees it: the picture, what to do, the answer.
  let {
    asking,
    pack,
    at,
    still = false,
    children
  }: {
    asking: Asking;
    pack: Schemas['QuizPack'];
    at: number;
    /** Nobody answers on this screen, and everybody reads it from far. */
    still?: boolean;
    children?: Snippet;
  } = $props();

  const item = $derived(asking.item);
  const scene = $derived(pack.scenes.find((s) => s.id === item?.card.action));
  const answer = $derived(pack.reads.find((r) => r.id === item?.right)?.name ?? '');
</script>

<div class="picture [&_svg]:max-h-[calc(100dvh_-_2.4rem)]"><QuizFloor {asking} {pack} /></div>
<section
  class="grid gap-3 [&.far]:[&_.choices]:grid-cols-[1fr_1fr] [&.far]:[&_.choices_button]:text-[3.8vh] [&.far]:[&_.choices_button]:min-h-0"
  class:far={still}
>
  <p class="soft [.far_&]:text-[3.4vh]">{at + 1} of {pack.items.length} · {scene?.name}</p>
  <h1 class="text-3xl max-md:text-2xl [.far_&]:text-[10vh] [.far_&]:leading-[1.05]" aria-live="polite">
    {#if asking.phase === 'told'}{answer}{:else if asking.phase === 'asked'}Point!{:else}Watch…{/if}
  </h1>
  {#if asking.phase === 'told' && item}<p
      class="say text-xl max-md:text-lg [.far_&]:text-[5vh] [.far_&]:leading-[1.2]"
    >
      {item.say}
    </p>
    <p class="soft [.far_&]:text-[3.4vh]">{item.seen}.</p>{/if}
  <div inert={still}><Choices {asking} {pack} big /></div>
  {@render children?.()}
</section>
