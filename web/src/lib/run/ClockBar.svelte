<script lang="ts">
  import { goto } from '$app/navigation';
  import { clockText } from '$lib/parts/verdicts';
  import Sure from '$lib/parts/Sure.svelte';
  import type { Floor } from './floor.svelte';

  let {
    floor,
    team,
    onmore,
    onlate
  }: { floor: Floor; team: string; onmore: () => void; onlate: () => void } = $props();

  let finishing = $state(false);
  const advice = { up: 'Two thirds have it: go up a rung.', down: 'It breaks: go down a rung.', stay: '' };
  const line = $derived(floor.line);
  const over = $derived(line.left < 0);
  const adviceNow = $derived(line.current?.advice ? advice[line.current.advice] : '');

  async function finish() {
    await floor.act('finish');
    await goto(`/${team}/run/${floor.run?.practice.id}/review`);
  }
</script>

<header>
  <div class="what">
    <p class="soft">
      <a class="-my-3 inline-flex min-h-12 min-w-12 items-center underline" href={`/${team}/now`}>Leave</a>
      <span aria-live="polite">
        {#if floor.queue.waiting === 0}All sent
        {:else if floor.queue.reachable}{floor.queue.waiting} on the way
        {:else}No network: {floor.queue.kept} kept on this device{/if}
      </span>
    </p>
    <h1>{line.current?.block.title}</h1>
    <p class="soft stage">{line.current?.stage?.name ?? ''} {adviceNow}</p>
    {#if line.current && line.current.block.end > 0}
      <div class="ends" role="radiogroup" aria-label="Your basket">
        {#each [1, 2] as const as n (n)}
          <button
            class="tape plain"
            role="radio"
            aria-checked={line.lane === n}
            onclick={() => floor.takeEnd(n)}>Basket {n}</button
          >
        {/each}
      </div>
    {/if}
    <p class="soft next">Next: {line.next?.block.title ?? 'the end'}</p>
  </div>
  <div class="times">
    <p class="clock numeral" class:over role="timer" aria-label="Time left in this block">
      {over ? '+' : ''}{clockText(Math.abs(line.left))}
    </p>
    {#if line.practiceLeft !== undefined}
      <p class="whole soft">
        <span class="numeral">{line.practiceLeft < 0 ? '+' : ''}{clockText(Math.abs(line.practiceLeft))}</span
        >
        of practice,
        {#if line.behind > 0}
          <button class="late" onclick={onlate}>{line.behind} min behind</button>
        {:else if line.behind < 0}{-line.behind} min ahead
        {:else}on time{/if}
      </p>
    {/if}
  </div>
  <div class="hands">
    <button class="tape wide" onclick={() => floor.act(line.clock?.running ? 'stop' : 'start')}>
      {line.clock?.running ? 'Stop clock' : 'Start clock'}
    </button>
    <button class="tape plain" aria-pressed={floor.frozen} onclick={() => floor.freeze()}>
      {floor.frozen ? 'Play on' : 'Freeze'}
    </button>
    {#if line.next}
      <button class="tape plain" onclick={() => floor.goTo(1)}>Next block</button>
    {:else}
      <button class="tape plain" onclick={() => (finishing = true)}>Finish</button>
    {/if}
    <button class="tape plain" onclick={onmore}>More</button>
  </div>
</header>

<Sure
  bind:open={finishing}
  title="Finish this practice?"
  text="The clock stops. Everything that was logged is kept, and you see what it came to."
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
    align-items: center;
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
    font-size: 1.05rem;
    white-space: nowrap;
  }
  .late {
    min-height: 48px;
    color: var(--alarm);
    font-weight: 700;
    text-decoration: underline;
    cursor: pointer;
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
    grid-template-columns: 1fr 1fr 0.8fr;
    min-width: 19rem;
  }
  .hands .tape {
    padding: 0 0.5rem;
    white-space: nowrap;
  }
  .wide {
    grid-column: 1 / -1;
  }
  @media (max-width: 1100px) {
    .hands {
      min-width: 15rem;
      grid-template-columns: 1fr 1fr;
    }
    .wide {
      grid-column: auto;
    }
  }
  @media (max-width: 700px) {
    header {
      grid-template-columns: minmax(0, 1fr) auto;
      padding: 0.4rem 0.75rem;
      gap: 0.3rem 0.5rem;
    }
    .what .soft {
      font-size: 0.95rem;
      gap: 0.6rem;
    }
    .clock {
      font-size: 4rem;
    }
    .whole {
      font-size: 0.95rem;
    }
    .hands {
      grid-column: 1 / -1;
      grid-template-columns: 1.3fr 1fr 1.2fr 0.9fr;
      min-width: 0;
    }
    .hands .tape {
      padding: 0 0.2rem;
      font-size: 1rem;
    }
    h1 {
      font-size: 1.25rem;
      white-space: nowrap;
      overflow: hidden;
      text-overflow: ellipsis;
    }
    .next,
    .stage {
      display: none !important;
    }
  }
</style>
