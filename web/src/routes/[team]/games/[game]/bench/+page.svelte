<script lang="ts">
  import { onDestroy, onMount } from 'svelte';
  import { page } from '$app/state';
  import BenchFoot from '$lib/game/BenchFoot.svelte';
  import BenchGrid from '$lib/game/BenchGrid.svelte';
  import { BenchLog } from '$lib/game/bench.svelte';
  import Button from '$lib/ui/Button.svelte';

  const team = page.params.team ?? '';
  const id = page.params.game ?? '';
  const log = new BenchLog(team, id);

  onMount(() => {
    void log.start();
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

<div class="lights-out h-dvh bg-floor text-ink flex flex-col text-base max-sm:h-auto max-sm:min-h-dvh">
  {#if log.failed}
    <div class="message p-8 grid gap-4">
      <h1>This game cannot be logged</h1>
      <p>{log.failed}</p>
      <p><Button main href={`/${team}/games`}>To the games</Button></p>
    </div>
  {:else if !log.bench}
    <p role="status" class="message p-8 grid gap-4">Loading the game…</p>
  {:else}
    <header
      class="flex items-center gap-4 py-2 px-4 border-b border-b-seam max-sm:py-2 max-sm:px-3 max-sm:flex-wrap max-sm:gap-y-2 max-sm:gap-x-4"
    >
      <Button href={`/${team}/games/${id}`}>Leave</Button>
      <h1 class="flex-1 min-w-0">
        <span class="soft">{log.bench.game.away ? 'At' : 'Against'}</span>
        {log.bench.game.opponent}
      </h1>
      <span class="soft"><b class="numeral">{log.log.length}</b> logged</span>
      <span class="soft" role="status">{state}</span>
    </header>
    {#if log.queue.signedOut}
      <p role="alert" class="mt-2 mr-4 mb-0 ml-4 py-2 px-4 border-l-8 border-l-alarm text-alarm">
        You are signed out. Log on: it is kept on this device and sent when you have signed in again.
      </p>
    {:else if log.queue.refused}
      <p role="alert" class="mt-2 mr-4 mb-0 ml-4 py-2 px-4 border-l-8 border-l-alarm text-alarm">
        Something was not taken and is kept on this device: {log.queue.refused}
      </p>
    {:else if log.queue.unkept > 0}
      <p role="alert" class="mt-2 mr-4 mb-0 ml-4 py-2 px-4 border-l-8 border-l-alarm text-alarm">
        This device has no room left. {log.queue.unkept} are only in this page: keep it open until they are sent.
      </p>
    {/if}
    <main
      class="flex-1 min-h-0 overflow-auto grid grid-cols-[minmax(0,_1.5fr)_minmax(0,_1fr)] gap-4 py-3 px-4 max-sm:grid-cols-[minmax(0,_1fr)] max-sm:py-2 max-sm:px-3"
    >
      <BenchGrid {log} />
      <section
        aria-label="Who it was"
        class="grid grid-cols-[repeat(auto-fill,_minmax(8rem,_1fr))] [grid-auto-rows:minmax(64px,_1fr)] gap-2 max-h-152 max-sm:grid-cols-[repeat(3,_minmax(0,_1fr))]"
      >
        {#each log.players as p (p.id)}
          <button
            class="flex items-center gap-3 py-0 px-3 border-2 border-line rounded-sm bg-transparent text-inherit text-base cursor-pointer min-w-0 overflow-hidden aria-pressed:bg-mark aria-pressed:text-[color:#07090b] aria-pressed:border-mark"
            aria-pressed={log.player === p.id}
            onclick={() => log.pick(p.id)}
          >
            <span class="numeral text-2xl">{p.jersey}</span>{p.name}
          </button>
        {/each}
      </section>
    </main>
    <BenchFoot {log} />
  {/if}
</div>
