<script lang="ts">
  import Range from 'flowbite-svelte/Range.svelte';
  import type { Player } from './player.svelte';

  // A play under the finger: any moment of it can be looked at.
  let { player }: { player: Player } = $props();
</script>

<div class="flex min-h-11 min-w-60 flex-1 items-center gap-3">
  <Range
    class="h-2 flex-1 bg-seam accent-(--ink) disabled:opacity-40 dark:bg-seam"
    aria-label="Moment of the play"
    aria-valuetext={player.play
      ? `${player.time.toFixed(1)} seconds: ${player.moment?.name ?? ''}`
      : 'not played yet'}
    min={0}
    max={player.play?.duration ?? 1}
    step={0.05}
    disabled={!player.play}
    value={player.time}
    oninput={(e) => player.seek(Number(e.currentTarget.value))}
  />
  <span class="numeral min-w-24 text-right text-lg"
    >{#if player.play}{player.moment?.name} {player.time.toFixed(1)} s{/if}</span
  >
</div>
