<script lang="ts">
  import { onMount } from 'svelte';
  import { page } from '$app/state';
  import { api, ask, type Schemas } from '$lib/api/client';
  import { Asking } from '$lib/eyes/asking.svelte';
  import Choices from '$lib/eyes/Choices.svelte';
  import EyesFloor from '$lib/eyes/EyesFloor.svelte';
  import { session } from '$lib/state/session.svelte';

  // A round of the whole team in front of a big screen: everybody points, the coach counts.
  const team = page.params.team ?? '';
  const a = new Asking(undefined, false);
  let pack = $state.raw<Schemas['TrainerPack'] | null>(null);
  let problem = $state('');
  let step = $state(2);
  let screen = $state('');
  let at = $state(-1);
  let here = $state(0);
  let counts = $state<number[]>([]);
  const item = $derived(a.item);
  const scene = $derived(pack?.scenes.find((s) => s.id === item?.card.screen));
  const over = $derived(pack !== null && at >= pack.items.length);
  const nameOf = (id: string) => pack?.reads.find((r) => r.id === id)?.name ?? id;
  const steps = [
    'Plain pictures, one side',
    'Both sides of the floor',
    'Closer, and mixed',
    'They change late',
    'They change late, and close'
  ];

  onMount(() => {
    ask(api.GET('/api/teams/{teamId}/players', { params: { path: { teamId: team } } })).then(
      (p) => (here = p.length),
      () => (here = 10)
    );
    return () => a.stop();
  });

  async function begin() {
    problem = '';
    try {
      const seed = crypto.getRandomValues(new Uint32Array(1))[0] ?? 1;
      const query = screen ? { step, seed, screen } : { step, seed };
      pack = await ask(api.GET('/api/teams/{teamId}/round', { params: { path: { teamId: team }, query } }));
      counts = pack.items.map(() => 0);
      at = -1;
      next();
    } catch (e) {
      problem = e instanceof Error ? e.message : String(e);
    }
  }
  function next() {
    at++;
    const item = pack?.items[at];
    if (item) a.begin(item);
    else a.stop();
  }
  const count = (by: number) => (counts[at] = Math.min(here, Math.max(0, (counts[at] ?? 0) + by)));
  function leave() {
    a.stop();
    pack = null;
  }
  function key(e: KeyboardEvent) {
    if (!pack || over || (e.target as HTMLElement).closest('button, select, input')) return;
    if (e.key === ' ' || e.key === 'Enter') {
      if (a.phase === 'asked') a.answer('');
      else if (a.phase === 'told') next();
    } else if (e.key === 'ArrowUp') count(1);
    else if (e.key === 'ArrowDown') count(-1);
    else return;
    e.preventDefault();
  }
  const sums = $derived.by(() => {
    const by: Record<string, { right: number; of: number }> = {};
    pack?.items.slice(0, Math.max(0, at)).forEach((it, i) => {
      const s = (by[it.right] ??= { right: 0, of: 0 });
      s.right += counts[i] ?? 0;
      s.of += here;
    });
    return Object.entries(by).sort((x, y) => x[1].right / x[1].of - y[1].right / y[1].of);
  });
</script>

<svelte:window onkeydown={key} />

<main class="round lights-out">
  {#if !pack}
    <div class="start">
      <h1>Everybody points</h1>
      <p>
        A picture moves, then stops. The players point to where they would go; you show the answer and count
        who was right.
      </p>
      <label class="field"
        >How hard
        <select bind:value={step}>
          {#each steps as s, i (i)}<option value={i + 1}>{i + 1}: {s}</option>{/each}
        </select>
      </label>
      <label class="field"
        >What
        <select bind:value={screen}>
          <option value="">A bit of everything</option>
          {#each session.catalogue?.screens ?? [] as s (s.id)}<option value={s.id}>{s.name}</option>{/each}
        </select>
      </label>
      <label class="field">Players here <input type="number" min="1" max="40" bind:value={here} /></label>
      {#if problem}<p role="alert" class="problem">{problem}</p>{/if}
      <div class="row">
        <button class="tape" onclick={begin}>Begin the round</button>
        <a class="tape plain" href={`/${team}/teach`}>Back to Teach</a>
      </div>
      <p class="soft">The count stays on this page: a crowd that points together is no record of anybody.</p>
    </div>
  {:else if over}
    <div class="start">
      <h1>The round</h1>
      <table>
        <tbody>
          {#each sums as [read, s] (read)}
            <tr><td>{nameOf(read)}</td><td class="numeral">{s.right} of {s.of}</td></tr>
          {/each}
        </tbody>
      </table>
      <p>The first line is what the team sees least.</p>
      <div class="row">
        <button class="tape" onclick={begin}>Another round</button>
        <button class="tape plain" onclick={leave}>Choose again</button>
        <a class="tape plain" href={`/${team}/teach`}>Back to Teach</a>
      </div>
    </div>
  {:else}
    <div class="floor"><EyesFloor asking={a} {pack} /></div>
    <section>
      <p class="soft">{at + 1} of {pack.items.length} · {scene?.name}</p>
      <h1 aria-live="polite">
        {#if a.phase === 'told'}{nameOf(
            item?.right ?? ''
          )}{:else if a.phase === 'asked'}Point!{:else}Watch…{/if}
      </h1>
      {#if a.phase === 'told' && item}<p class="say">{item.say}</p>
        <p class="soft">{item.seen}.</p>{/if}
      <Choices asking={a} {pack} big />
      <div class="row">
        {#if a.phase === 'asked'}<button class="tape" onclick={() => a.answer('')}>Show the answer</button>
        {:else if a.phase === 'told'}
          <span class="count">
            <button class="tape plain" aria-label="One fewer" onclick={() => count(-1)}>−</button>
            <span><b class="numeral">{counts[at]}</b> of {here} right</span>
            <button class="tape plain" aria-label="One more" onclick={() => count(1)}>+</button>
          </span>
          <button class="tape plain" onclick={() => a.again()}>Again</button>
          <button class="tape" onclick={next}>Next</button>
        {/if}
        <button class="tape plain end" onclick={leave}>End</button>
      </div>
    </section>
  {/if}
</main>

<style>
  .round {
    min-height: 100dvh;
    background: var(--floor);
    color: var(--ink);
    display: grid;
    grid-template-columns: minmax(0, 1.35fr) minmax(20rem, 1fr);
    gap: 1.2rem;
    padding: 1.2rem;
    align-items: center;
    box-sizing: border-box;
  }
  .floor :global(svg) {
    max-height: calc(100dvh - 2.4rem);
  }
  section {
    display: grid;
    gap: 0.8rem;
  }
  h1 {
    font-size: 3.4rem;
  }
  .say {
    font-size: 1.6rem;
  }
  .start {
    grid-column: 1 / -1;
    display: grid;
    gap: 1rem;
    max-width: 34rem;
    margin: 0 auto;
    font-size: 1.15rem;
  }
  .row,
  .count {
    display: flex;
    flex-wrap: wrap;
    gap: 0.6rem;
    align-items: center;
  }
  .count .numeral {
    font-size: 2rem;
  }
  .end {
    margin-left: auto;
  }
  td {
    padding: 0.3rem 1.5rem 0.3rem 0;
    font-size: 1.4rem;
  }
  @media (max-width: 820px) {
    .round {
      grid-template-columns: minmax(0, 1fr);
      align-content: start;
    }
    h1 {
      font-size: 2.2rem;
    }
    .say {
      font-size: 1.2rem;
    }
    section .row {
      position: sticky;
      bottom: 0;
      padding: 0.6rem 0;
      background: var(--floor);
    }
  }
</style>
