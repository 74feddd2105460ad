<script lang="ts">
  import { onMount } from 'svelte';
  import type { Schemas } from '$lib/api/client';
  import { Player } from '$lib/court/player.svelte';
  import { offense } from './crew';
  import DrillFloor from './DrillFloor.svelte';
  import Button from '$lib/ui/Button.svelte';

  // The order list on the floor: rep after rep, with the jerseys of whoever is up.
  let {
    drill,
    motion,
    order,
    at = $bindable(),
    done = $bindable(),
    jersey,
    name,
    ondeal
  }: {
    drill: Schemas['Drill'];
    motion: Schemas['Motion'];
    order: Schemas['Order'];
    at: number;
    /** Reps that have been run: they stand when somebody comes or leaves. */
    done: Schemas['OrderRep'][];
    jersey: (id: string) => string;
    name: (id: string) => string;
    ondeal: () => void;
  } = $props();

  const clock = new Player();
  let running = $state(false);
  const last = $derived(order.reps.length - 1);
  const shown = $derived(order.reps[Math.min(at, last)]);
  const next = $derived(order.reps[at + 1]);

  onMount(() => () => clock.clear());

  function run() {
    running = !running;
    if (running) clock.start(motion.play);
    else clock.stop();
  }
  clock.ended = () => {
    if (!running) return;
    if (at >= last) running = false;
    else {
      at += 1;
      clock.start(motion.play);
    }
  };
</script>

{#if shown}
  <div class="relative h-68 print:hidden">
    {#if clock.moment}
      <p class="absolute [inset:0_0_auto_0] py-2 px-3 bg-sheet/88" role="status">
        <b>{clock.moment.name}.</b>
        {clock.moment.say}
      </p>
    {/if}
    <DrillFloor {drill} {motion} player={clock} rep={shown} {jersey} />
  </div>
  <p class="no-print flex flex-wrap gap-3 items-center justify-center">
    <Button main onclick={run}>{running ? 'Stop' : 'Run it'}</Button>
    <Button aria-pressed={clock.slow} onclick={() => (clock.slow = !clock.slow)}>Slow</Button>
    <Button aria-label="Rep before" disabled={at === 0} onclick={() => (at -= 1)}>‹</Button>
    <span>Rep <b class="numeral">{shown.no}</b> of <span class="numeral">{order.reps.length}</span></span>
    <Button aria-label="Rep after" disabled={at >= last} onclick={() => (at += 1)}>›</Button>
    <Button onclick={ondeal}>Deal again</Button>
  </p>
  {#if next}
    <p class="soft no-print flex flex-wrap gap-3 items-center justify-center">
      Next: {offense(next)
        .map((id) => `${jersey(id)} ${name(id)}`)
        .join(', ')}
    </p>
  {/if}
  <p class="no-print flex flex-wrap gap-3 items-center justify-center">
    {#if done.length}
      <span>Reps 1 to <b class="numeral">{done.length}</b> stand. Choose above who is here now.</span>
      <Button onclick={() => (done = [])}>Start over</Button>
    {:else if at > 0}
      <Button onclick={() => (done = order.reps.slice(0, at))}
        >Somebody came or left: reorder from rep {shown.no}</Button
      >
    {/if}
  </p>
{/if}
