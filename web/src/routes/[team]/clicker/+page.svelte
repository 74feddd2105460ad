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

<main class="lights-out">
  {#if session.view?.standIns?.clicker}
    <header>
      <h1>Hand clicker</h1>
      <p class="soft">
        A stand-in for a clicker in the helper’s hand. The floor listens in another tab of this browser; a
        real clicker sends it the keys named here.
      </p>
    </header>
    <div class="body">
      <button class="log" onclick={() => send('PageDown')}
        >Log<small>what is pointed at (PageDown)</small></button
      >
      <div class="wheel" onwheel={turn} role="group" aria-label="Wheel">
        <button aria-label="Wheel up" onclick={() => send('ArrowUp')}>▲</button>
        <span class="soft">wheel<br />points</span>
        <button aria-label="Wheel down" onclick={() => send('ArrowDown')}>▼</button>
      </div>
      <button class="undo" onclick={() => send('PageUp')}>Undo<small>the last rep (PageUp)</small></button>
    </div>
    <p role="status">{said}</p>
  {:else}
    <h1>No simulated devices</h1>
    <p>They are switched off, or this is not the demo.</p>
  {/if}
</main>

<style>
  main {
    min-height: 100dvh;
    padding: 1.5rem;
    background: var(--floor);
    color: var(--ink);
    display: flex;
    flex-direction: column;
    align-items: center;
    gap: 1.2rem;
  }
  header {
    max-width: 34rem;
  }
  .body {
    display: grid;
    grid-template: 1fr 0.8fr / minmax(0, 1fr) 6.5rem;
    gap: 0.9rem;
    width: min(24rem, 100%);
    flex: 1;
    max-height: 34rem;
    padding: 1.4rem;
    background: var(--board);
    border: 2px solid var(--line);
    border-radius: 3rem;
  }
  .body button {
    background: var(--sheet);
    border: 2px solid var(--line);
    color: var(--ink);
    font: inherit;
    font-size: 2rem;
    font-weight: 700;
    cursor: pointer;
  }
  .body button:active {
    background: var(--mark);
    color: #07090b;
  }
  .log {
    border-radius: 2rem 1rem 1rem 1rem;
  }
  .undo {
    border-radius: 1rem 1rem 1rem 2rem;
  }
  .wheel {
    grid-row: 1 / 3;
    grid-column: 2;
    display: grid;
    grid-template-rows: 1fr auto 1fr;
    gap: 0.5rem;
    text-align: center;
  }
  .wheel button {
    border-radius: 2rem;
  }
  small {
    display: block;
    font-size: 0.95rem;
    font-weight: 400;
    color: var(--ink-soft);
  }
</style>
