<script lang="ts">
  import { onMount } from 'svelte';
  import { clicker } from '$lib/run/clicker';
  import { session } from '$lib/state/session.svelte';

  // A stand-in for a hand clicker: two buttons and a wheel. A real one is a keyboard
  // to the device it is paired with, and sends the same keys.
  let said = $state('');
  let device: ReturnType<typeof clicker> | undefined;
  let waiting: ReturnType<typeof setTimeout>;
  const answerWithin = 1000; // ms

  onMount(() => {
    device = clicker((did) => {
      clearTimeout(waiting);
      said = did ? 'The floor heard it.' : 'The floor has nothing to do with it now.';
    });
    return () => {
      clearTimeout(waiting);
      device?.end();
    };
  });

  function send(key: string) {
    said = '…';
    clearTimeout(waiting);
    waiting = setTimeout(
      () => (said = 'No floor hears it. Open the practice in another tab of this browser.'),
      answerWithin
    );
    device?.send(key);
  }

  const turn = (e: WheelEvent) => {
    e.preventDefault();
    send(e.deltaY > 0 ? 'ArrowDown' : 'ArrowUp');
  };
</script>

<main class="lights-out min-h-dvh p-6 bg-floor text-ink flex flex-col items-center gap-4">
  {#if session.view?.standIns?.clicker}
    <header class="max-w-136">
      <h1>Hand clicker</h1>
      <p class="soft">
        A stand-in for a clicker in the helper’s hand. The floor listens in another tab of this browser; a
        real clicker sends it the keys named here.
      </p>
    </header>
    <div
      class="body grid [grid-template:1fr_0.8fr_/_minmax(0,_1fr)_6.5rem] gap-4 w-[min(24rem,_100%)] flex-1 max-h-136 p-6 bg-board border-2 border-line [border-radius:3rem]"
    >
      <button
        class="[border-radius:2rem_1rem_1rem_1rem] bg-sheet border-2 border-line text-ink text-2xl font-bold cursor-pointer active:bg-mark active:text-[color:#07090b]"
        onclick={() => send('PageDown')}
        >Log<small class="block text-sm font-normal text-soft">what is pointed at (PageDown)</small></button
      >
      <div
        class="[grid-row:1_/_3] [grid-column:2] grid grid-rows-[1fr_auto_1fr] gap-2 text-center"
        onwheel={turn}
        role="group"
        aria-label="Wheel"
      >
        <button
          class="bg-sheet border-2 border-line text-ink text-2xl font-bold cursor-pointer [border-radius:2rem] active:bg-mark active:text-[color:#07090b]"
          aria-label="Wheel up"
          onclick={() => send('ArrowUp')}>▲</button
        >
        <span class="soft">wheel<br />points</span>
        <button
          class="bg-sheet border-2 border-line text-ink text-2xl font-bold cursor-pointer [border-radius:2rem] active:bg-mark active:text-[color:#07090b]"
          aria-label="Wheel down"
          onclick={() => send('ArrowDown')}>▼</button
        >
      </div>
      <button
        class="undo [border-radius:1rem_1rem_1rem_2rem] bg-sheet border-2 border-line text-ink text-2xl font-bold cursor-pointer active:bg-mark active:text-[color:#07090b]"
        onclick={() => send('PageUp')}
        >Undo<small class="block text-sm font-normal text-soft">the last rep (PageUp)</small></button
      >
    </div>
    <p role="status">{said}</p>
  {:else}
    <h1>No simulated devices</h1>
    <p>They are switched off, or this is not the demo.</p>
  {/if}
</main>
