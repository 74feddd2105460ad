<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { Schemas } from '$lib/api/client';
  import type { Asking } from './asking.svelte';
  import Choices from './Choices.svelte';
  import EyesFloor from './EyesFloor.svelte';

  // One question of a round as a crowd sees it: the picture, what to do, the answer.
  let {
    asking,
    pack,
    at,
    still = false,
    children
  }: {
    asking: Asking;
    pack: Schemas['TrainerPack'];
    at: number;
    /** Nobody answers on this screen, and everybody reads it from far. */
    still?: boolean;
    children?: Snippet;
  } = $props();

  const item = $derived(asking.item);
  const scene = $derived(pack.scenes.find((s) => s.id === item?.card.screen));
  const answer = $derived(pack.reads.find((r) => r.id === item?.right)?.name ?? '');
</script>

<div class="picture"><EyesFloor {asking} {pack} /></div>
<section class:far={still}>
  <p class="soft">{at + 1} of {pack.items.length} · {scene?.name}</p>
  <h1 aria-live="polite">
    {#if asking.phase === 'told'}{answer}{:else if asking.phase === 'asked'}Point!{:else}Watch…{/if}
  </h1>
  {#if asking.phase === 'told' && item}<p class="say">{item.say}</p>
    <p class="soft">{item.seen}.</p>{/if}
  <div inert={still}><Choices {asking} {pack} big /></div>
  {@render children?.()}
</section>

<style>
  .picture :global(svg) {
    max-height: calc(100dvh - 2.4rem);
  }
  section {
    display: grid;
    gap: 0.8rem;
  }
  h1 {
    font-size: 3.4rem;
  }
  .say {
    font-size: 1.6rem;
  }
  .far h1 {
    font-size: 10vh;
    line-height: 1.05;
  }
  .far .say {
    font-size: 5vh;
    line-height: 1.2;
  }
  .far .soft {
    font-size: 3.4vh;
  }
  .far :global(.choices) {
    grid-template-columns: 1fr 1fr;
  }
  .far :global(.choices button) {
    font-size: 3.8vh;
    min-height: 0;
  }
  @media (max-width: 820px) {
    h1 {
      font-size: 2.2rem;
    }
    .say {
      font-size: 1.2rem;
    }
  }
</style>
