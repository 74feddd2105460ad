<script lang="ts">
  import { onMount } from 'svelte';
  import { Player } from '$lib/court/player.svelte';
  import Button from '$lib/ui/Button.svelte';
  import Note from '$lib/ui/Note.svelte';
  import DrillFloor from './DrillFloor.svelte';
  import type { Draft } from './draft.svelte';

  // What is written, run on the floor; or what cannot be.
  let { draft }: { draft: Draft } = $props();

  const player = new Player();
  onMount(() => () => player.clear());
</script>

<aside class="sheet sticky top-4 p-4 grid gap-3 border-t-8 border-t-mark max-md:static" aria-label="Preview">
  {#if draft.problem}<Note>{draft.problem}</Note>{/if}
  {#if draft.motion}
    <div class="court relative aspect-[52/34]">
      {#if player.moment}<p class="absolute [inset:0_0_auto_0] py-2 px-3 bg-sheet/88">
          <b>{player.moment.name}.</b>
          {player.moment.say}
        </p>{/if}
      <DrillFloor drill={draft.drill} motion={draft.motion} {player} jersey={() => ''} />
    </div>
    <Button
      main
      onclick={() => (player.running ? player.stop() : draft.motion && player.show(draft.motion.play))}
      >{player.running ? 'Stop' : 'Run it'}</Button
    >
  {/if}
</aside>
