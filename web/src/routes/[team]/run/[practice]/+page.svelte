<script lang="ts">
  import { onDestroy, onMount, untrack } from 'svelte';
  import { page } from '$app/state';
  import { Floor } from '$lib/run/floor.svelte';
  import { horn } from '$lib/run/horn';
  import Answers from '$lib/run/Answers.svelte';
  import ClockBar from '$lib/run/ClockBar.svelte';
  import LogStrip from '$lib/run/LogStrip.svelte';
  import WhoIsUp from '$lib/run/WhoIsUp.svelte';

  const team = page.params.team ?? '';
  const floor = new Floor(team, page.params.practice ?? '');
  let failed = $state('');
  let ticking: ReturnType<typeof setInterval>;
  const tick = 250; // ms

  async function load() {
    failed = '';
    try {
      await floor.load();
    } catch (e) {
      failed = e instanceof Error ? e.message : String(e);
    }
  }

  onMount(() => {
    load().then(() => floor.follow());
    ticking = setInterval(() => (floor.now = Date.now()), tick);
  });
  // At an end the clock alone brings the next block.
  const block = $derived(floor.current?.block.id);
  $effect(() => {
    if (block) untrack(() => floor.fresh());
  });
  $effect(() => {
    if (floor.run && floor.clock && floor.log) untrack(() => floor.remember());
  });
  // The horn sounds once, when the time of a block is up while it runs.
  const up = $derived(Boolean(floor.clock?.running) && floor.left <= 0 ? block : '');
  let sounded = '';
  $effect(() => {
    if (up && up !== sounded && floor.left > -2 * tick) horn();
    sounded = up ?? '';
  });

  onDestroy(() => {
    clearInterval(ticking);
    floor.leave();
  });

  function keys(e: KeyboardEvent) {
    if (e.ctrlKey || e.metaKey || e.altKey || (e.target as HTMLElement).closest('input, select, textarea'))
      return;
    const a = floor.answers[Number(e.key) - 1];
    if (a) floor.answer(a);
    else if (e.key === 'z') floor.undo();
    else if (e.key === 'n') floor.goTo(1);
    else if (e.key === 'h') horn();
    else if (e.key === ' ') floor.act(floor.clock?.running ? 'stop' : 'start');
    else return;
    e.preventDefault();
  }
</script>

<svelte:window onkeydown={keys} ononline={() => floor.queue.send()} onpagehide={() => floor.rememberNow()} />

<div class="floor">
  {#if failed}
    <div class="message">
      <h1>This practice cannot be shown</h1>
      <p>{failed}</p>
      <p>
        <button class="tape" onclick={load}>Try again</button>
        <a class="tape plain" href={`/${team}/plan`}>To the practices</a>
      </p>
    </div>
  {:else if !floor.run || !floor.clock}
    <p role="status" class="message">Onto the floor…</p>
  {:else if floor.blocks.length === 0}
    <div class="message">
      <h1>This practice has no blocks</h1>
      <p><a class="tape" href={`/${team}/plan/${floor.run.practice.id}`}>Plan it first</a></p>
    </div>
  {:else}
    <ClockBar {floor} {team} />
    {#if floor.problem}<p role="alert" class="alarm">{floor.problem}</p>{/if}
    {#if floor.queue.refused}
      <p role="alert" class="alarm">
        One rep was not taken and is kept on this device: {floor.queue.refused}
      </p>
    {/if}
    <main class="work">
      {#if floor.current?.problem}
        <p class="big">{floor.current.problem}</p>
      {:else if floor.current?.order}
        <WhoIsUp {floor} />
        <Answers {floor} />
      {:else}
        <p class="big">{floor.current?.block.title}</p>
      {/if}
    </main>
    <LogStrip {floor} />
  {/if}
</div>

<style>
  /* The floor surface is dark in any light: glare from a gym's lamps, two
     steps away. Contrast is AAA throughout. */
  .floor {
    --floor: #07090b;
    --board: #12181d;
    --sheet: #151c22;
    --ink: #ffffff;
    --ink-soft: #c9d4dc;
    --seam: #3a4853;
    --line: #93a4b1;
    --on-ink: #07090b;
    --focus: #9cc9ff;
    --alarm: #ffb3a8;
    --tape-blue: #9cc4ff;
    --tape-green: #86e0ab;
    --tape-orange: #ffbd80;
    --tape-violet: #dbb8fa;
    --tape-teal: #7fdde6;
    --tape-rose: #ffb0cf;
    --tape-brown: #e8c98d;
    color-scheme: dark;
    min-height: 100dvh;
    background: var(--floor);
    color: var(--ink);
    display: flex;
    flex-direction: column;
    font-size: 1.1rem;
  }
  .floor :global(.tape) {
    min-height: 64px;
  }
  .work {
    flex: 1;
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1.15fr);
    gap: 1.25rem;
    padding: 1rem 1.25rem;
  }
  .big {
    grid-column: 1 / -1;
    align-self: center;
    text-align: center;
    font-size: clamp(2rem, 6vw, 4rem);
    font-weight: 700;
    line-height: 1.1;
  }
  .alarm {
    margin: 0.75rem 1.25rem 0;
    padding: 0.5rem 0.9rem;
    border-left: 8px solid var(--alarm);
    color: var(--alarm);
  }
  .message {
    padding: 2rem;
    display: grid;
    gap: 1rem;
  }
  @media (max-width: 700px) {
    .work {
      grid-template-columns: minmax(0, 1fr);
      align-content: start;
      padding: 0.75rem;
      gap: 0.75rem;
    }
  }
</style>
