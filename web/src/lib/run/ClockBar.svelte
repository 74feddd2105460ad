<script lang="ts">
  import { goto } from '$app/navigation';
  import { clockText } from '$lib/parts/verdicts';
  import Sure from '$lib/parts/Sure.svelte';
  import type { Floor } from './floor.svelte';

  let { floor, team }: { floor: Floor; team: string } = $props();

  let finishing = $state(false);
  const advice = { up: 'Two thirds have it: go up a rung.', down: 'It breaks: go down a rung.', stay: '' };
  const over = $derived(floor.left < 0);
  const adviceNow = $derived(floor.current?.advice ? advice[floor.current.advice] : '');

  const pace = $derived(
    floor.behind === 0
      ? 'on time'
      : floor.behind > 0
        ? `${floor.behind} min behind`
        : `${-floor.behind} min ahead`
  );

  async function finish() {
    await floor.act('finish');
    await goto(`/${team}/squad`);
  }
</script>

<header>
  <div class="what">
    <p class="soft">
      <a href={`/${team}/now`}>Off the floor</a>
      <span aria-live="polite">
        {#if floor.queue.waiting === 0}All sent
        {:else if floor.queue.reachable}{floor.queue.waiting} on the way
        {:else}No network: {floor.queue.waiting} kept on this device{/if}
      </span>
    </p>
    <h1>{floor.current?.block.title}</h1>
    <p class="soft">{floor.current?.stage?.name ?? ''} {adviceNow}</p>
    {#if floor.current && floor.current.block.end > 0}
      <div class="ends" role="radiogroup" aria-label="Your end">
        {#each [1, 2] as const as n (n)}
          <button
            class="tape plain"
            role="radio"
            aria-checked={floor.lane === n}
            onclick={() => floor.takeEnd(n)}>End {n}</button
          >
        {/each}
      </div>
    {/if}
    <p class="soft next">Next: {floor.next?.block.title ?? 'the end'}</p>
  </div>
  <div>
    <p class="clock numeral" class:over role="timer" aria-label="Time left in this block">
      {over ? '+' : ''}{clockText(Math.abs(floor.left))}
    </p>
    {#if floor.practiceLeft !== undefined}
      <p class="whole soft">
        <span class="numeral"
          >{floor.practiceLeft < 0 ? '+' : ''}{clockText(Math.abs(floor.practiceLeft))}</span
        >
        of practice, {pace}
      </p>
    {/if}
  </div>
  <div class="hands">
    <button class="tape" onclick={() => floor.act(floor.clock?.running ? 'stop' : 'start')}>
      {floor.clock?.running ? 'Stop clock' : 'Start clock'}
    </button>
    <button class="tape plain" onclick={() => floor.goTo(-1)} disabled={floor.at === 0}>Before</button>
    {#if floor.next}
      <button class="tape plain" onclick={() => floor.goTo(1)}>Next block</button>
    {:else}
      <button class="tape plain" onclick={() => (finishing = true)}>Finish</button>
    {/if}
  </div>
</header>

<Sure
  bind:open={finishing}
  title="Finish this practice?"
  text="The clock stops. Everything that was logged is kept."
  act="Finish"
  onsure={finish}
/>

<style>
  header {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto auto;
    gap: 1.25rem;
    align-items: center;
    padding: 0.75rem 1.25rem;
    background: var(--sheet);
    border-bottom: 1px solid var(--seam);
  }
  h1 {
    font-size: 1.9rem;
  }
  .what .soft {
    display: flex;
    gap: 1rem;
    font-size: 1rem;
  }
  .ends {
    display: flex;
    gap: 0.4rem;
    margin: 0.3rem 0;
  }
  .ends .tape {
    white-space: nowrap;
  }
  .whole {
    text-align: right;
    font-size: 1rem;
    white-space: nowrap;
  }
  .clock {
    text-align: right;
    font-size: clamp(4.5rem, 10vw, 8rem);
    line-height: 0.85;
    color: var(--mark);
  }
  .over {
    color: var(--alarm);
  }
  .hands {
    display: grid;
    gap: 0.4rem;
    min-width: 13rem;
  }
  .hands .tape {
    padding: 0 0.6rem;
  }
  .hands {
    grid-template-columns: 1fr 1.4fr;
  }
  .hands .tape:first-child {
    grid-column: 1 / -1;
  }
  @media (max-width: 700px) {
    header {
      grid-template-columns: minmax(0, 1fr) auto;
      padding: 0.6rem 0.75rem;
      gap: 0.5rem;
    }
    .hands {
      grid-column: 1 / -1;
      grid-template-columns: 1.2fr 1fr 1fr;
      min-width: 0;
    }
    .hands .tape {
      padding: 0 0.3rem;
    }
    .hands .tape:first-child {
      grid-column: auto;
    }
    h1 {
      font-size: 1.4rem;
    }
    .next {
      display: none !important;
    }
  }
</style>
