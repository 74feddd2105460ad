<script lang="ts">
  import { onDestroy, onMount } from 'svelte';
  import { page } from '$app/state';
  import BenchFoot from '$lib/game/BenchFoot.svelte';
  import BenchGrid from '$lib/game/BenchGrid.svelte';
  import { BenchLog } from '$lib/game/bench.svelte';

  const team = page.params.team ?? '';
  const id = page.params.game ?? '';
  const log = new BenchLog(team, id);

  onMount(() => {
    log.start();
  });
  onDestroy(() => log.leave());

  const state = $derived(
    log.queue.events.length === 0
      ? 'All sent'
      : log.queue.reachable
        ? `Sending ${log.queue.events.length}`
        : `${log.queue.events.length} kept on this device`
  );
</script>

<svelte:window ononline={() => log.queue.send()} />

<div class="bench lights-out">
  {#if log.failed}
    <div class="message">
      <h1>This game cannot be logged</h1>
      <p>{log.failed}</p>
      <p><a class="tape" href={`/${team}/games`}>To the games</a></p>
    </div>
  {:else if !log.bench}
    <p role="status" class="message">Onto the bench…</p>
  {:else}
    <header>
      <a class="tape plain" href={`/${team}/games/${id}`}>Leave</a>
      <h1><span class="soft">{log.bench.game.away ? 'At' : 'Against'}</span> {log.bench.game.opponent}</h1>
      <span class="soft"><b class="numeral">{log.log.length}</b> logged</span>
      <span class="soft" role="status">{state}</span>
    </header>
    {#if log.queue.signedOut}
      <p role="alert" class="alarm">
        You are signed out. Log on: it is kept on this device and sent when you have signed in again.
      </p>
    {:else if log.queue.refused}
      <p role="alert" class="alarm">
        Something was not taken and is kept on this device: {log.queue.refused}
      </p>
    {:else if log.queue.unkept > 0}
      <p role="alert" class="alarm">
        This device has no room left. {log.queue.unkept} are only in this page: keep it open until they are sent.
      </p>
    {/if}
    <main>
      <BenchGrid {log} />
      <section aria-label="Who it was" class="who">
        {#each log.players as p (p.id)}
          <button aria-pressed={log.player === p.id} onclick={() => log.pick(p.id)}>
            <span class="numeral">{p.jersey}</span>{p.name}
          </button>
        {/each}
      </section>
    </main>
    <BenchFoot {log} />
  {/if}
</div>

<style>
  .bench {
    height: 100dvh;
    background: var(--floor);
    color: var(--ink);
    display: flex;
    flex-direction: column;
    font-size: 1.1rem;
  }
  header {
    display: flex;
    align-items: center;
    gap: 1.2rem;
    padding: 0.5rem 1.25rem;
    border-bottom: 1px solid var(--seam);
  }
  header h1 {
    flex: 1;
    min-width: 0;
  }
  .alarm {
    margin: 0.5rem 1.25rem 0;
    padding: 0.4rem 0.9rem;
    border-left: 8px solid var(--alarm);
    color: var(--alarm);
  }
  main {
    flex: 1;
    min-height: 0;
    overflow: auto;
    display: grid;
    grid-template-columns: minmax(0, 1.5fr) minmax(0, 1fr);
    gap: 1.25rem;
    padding: 0.8rem 1.25rem;
  }
  .who {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(8rem, 1fr));
    grid-auto-rows: minmax(64px, 1fr);
    gap: 0.4rem;
    max-height: 38rem;
  }
  .who button {
    display: flex;
    align-items: center;
    gap: 0.7rem;
    padding: 0 0.7rem;
    border: 2px solid var(--line);
    border-radius: 3px;
    background: transparent;
    color: inherit;
    font: inherit;
    font-size: 1.05rem;
    cursor: pointer;
    min-width: 0;
    overflow: hidden;
  }
  .who .numeral {
    font-size: 2rem;
  }
  .who [aria-pressed='true'] {
    background: var(--mark);
    color: #07090b;
    border-color: var(--mark);
  }
  .message {
    padding: 2rem;
    display: grid;
    gap: 1rem;
  }
  @media (max-width: 760px) {
    .bench {
      height: auto;
      min-height: 100dvh;
    }
    main {
      grid-template-columns: minmax(0, 1fr);
      padding: 0.6rem 0.75rem;
    }
    .who {
      grid-template-columns: repeat(3, minmax(0, 1fr));
    }
    header {
      padding: 0.4rem 0.75rem;
      flex-wrap: wrap;
      gap: 0.4rem 1rem;
    }
  }
</style>
