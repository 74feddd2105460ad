<script lang="ts">
  import { onMount } from 'svelte';
  import { api, ask, type Schemas } from '$lib/api/client';
  import { Player } from '$lib/court/player.svelte';
  import DrillFloor from '$lib/drill/DrillFloor.svelte';
  import { clockText } from '$lib/parts/verdicts';
  import RoundFloor from '$lib/eyes/RoundFloor.svelte';
  import DisplayEnd from '$lib/run/DisplayEnd.svelte';
  import { SecondScreen } from '$lib/run/display.svelte';

  // The gym's second screen: read from 15 m, touched once.
  const screen = new SecondScreen();
  const player = new Player();
  const tick = 200; // ms
  let code = $state('');
  let refused = $state('');
  let motion = $state.raw<Schemas['DisplayMotion'] | null>(null);
  let showing = $state(false);
  let idle = $state(false);
  let idler: ReturnType<typeof setTimeout>;
  const idleAfter = 4000; // ms until the buttons go

  function awake() {
    idle = false;
    clearTimeout(idler);
    idler = setTimeout(() => (idle = true), idleAfter);
  }

  onMount(() => {
    screen.load();
    awake();
    const timer = setInterval(() => screen.tick(), tick);
    return () => {
      clearInterval(timer);
      clearTimeout(idler);
      player.stop();
      screen.leave();
    };
  });

  async function pair(e: SubmitEvent) {
    e.preventDefault();
    refused = '';
    try {
      await screen.pair(code);
    } catch (err) {
      refused = err instanceof Error ? err.message : String(err);
    }
  }

  const line = $derived(screen.lines[0]);
  const block = $derived(line.current?.order ? line.current.block.id : '');

  // The drill, again and again, as long as it is shown.
  $effect(() => {
    if (!showing || !block) {
      motion = null;
      return;
    }
    ask(api.GET('/api/display/motion', { params: { query: { block } } }))
      .then((m) => {
        motion = m;
        player.start(m.motion.play);
      })
      .catch(() => (showing = false));
  });
  $effect(() => {
    if (motion && !player.running) player.start(motion.motion.play);
  });

  $effect(() => screen.round.follow());

  function full() {
    if (document.fullscreenElement) document.exitFullscreen();
    else document.documentElement.requestFullscreen?.().catch(() => undefined);
  }

  function keys(e: KeyboardEvent) {
    if ((e.target as HTMLElement).closest('input')) return;
    awake();
    if (e.key === 'a') showing = !showing;
    if (e.key === 'f') full();
  }
</script>

<svelte:window onkeydown={keys} onpointermove={awake} onpointerdown={awake} />
<svelte:head><title>Second screen · Evrik</title></svelte:head>

<div class="lights-out gym">
  {#if screen.view}
    {#if screen.round.pack && screen.round.state}
      <main class="asked">
        <RoundFloor
          asking={screen.round.asking}
          pack={screen.round.pack}
          at={screen.round.state.question}
          still
        />
      </main>
    {:else}
      <main class:split={screen.split} class:pictured={motion}>
        <DisplayEnd {screen} lane={0} wide={!screen.split && !motion} />
        {#if screen.split}<DisplayEnd {screen} lane={1} wide={false} />{/if}
        {#if motion}
          <div class="picture" role="img" aria-label={`How ${motion.drill.name} runs`}>
            <DrillFloor
              drill={motion.drill}
              motion={motion.motion}
              {player}
              rep={screen.up(0)[0]?.now}
              jersey={(id) => screen.who(id)?.jersey ?? ''}
            />
          </div>
        {/if}
      </main>
    {/if}
    <footer class:idle>
      <span>{screen.view.team}</span>
      {#if line.practiceLeft !== undefined}
        <span
          ><b class="numeral">{line.practiceLeft < 0 ? '+' : ''}{clockText(Math.abs(line.practiceLeft))}</b> of
          practice</span
        >
      {/if}
      <span role="status">{screen.problem}</span>
      <button
        class="tape plain"
        disabled={!block || screen.round.pack !== null}
        aria-pressed={showing}
        onclick={() => (showing = !showing)}>Show the drill</button
      >
      <button class="tape plain" onclick={full}>Full screen</button>
    </footer>
  {:else if screen.unpaired}
    <form onsubmit={pair}>
      <h1>Second screen</h1>
      <p>On the floor, under More, ask for a code for a screen and type it here.</p>
      <label>
        <span class="soft">Code</span>
        <input
          class="numeral"
          bind:value={code}
          autocomplete="off"
          autocapitalize="characters"
          maxlength="8"
          required
        />
      </label>
      <button class="tape">Show the practice</button>
      {#if refused}<p role="alert" class="problem">{refused}</p>{/if}
    </form>
  {:else}
    <p role="status" class="wait">{screen.problem || 'Loading the practice…'}</p>
  {/if}
</div>

<style>
  .gym {
    height: 100dvh;
    display: flex;
    flex-direction: column;
    background: var(--floor);
    color: var(--ink);
    padding: 2vh 2vw 0;
    overflow: hidden;
  }
  main {
    flex: 1;
    display: grid;
    min-height: 0;
  }
  main.asked :global(svg) {
    max-height: 86vh;
  }
  main.asked {
    grid-template-columns: minmax(0, 1.35fr) minmax(0, 1fr);
    gap: 3vw;
    align-items: center;
  }
  main.split,
  main.pictured {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    gap: 3vw;
  }
  main.split.pictured {
    grid-template-columns: repeat(3, minmax(0, 1fr));
  }
  .picture {
    min-height: 0;
    --board: #1c252c;
  }
  footer {
    display: flex;
    align-items: center;
    gap: 2vw;
    min-height: 60px;
    font-size: 2.6vh;
    color: var(--ink-soft);
  }
  footer .numeral {
    font-size: 4vh;
    color: var(--ink);
  }
  footer [role='status'] {
    margin-left: auto;
    color: var(--alarm);
  }
  footer.idle .tape {
    opacity: 0;
  }
  form,
  .wait {
    margin: auto;
    display: grid;
    gap: 1.2rem;
    max-width: 34rem;
    font-size: 1.3rem;
  }
  h1 {
    font-size: 2.6rem;
  }
  input {
    width: 100%;
    padding: 0.4rem 1rem;
    background: var(--sheet);
    color: var(--ink);
    border: 2px solid var(--line);
    font-size: 4rem;
    letter-spacing: 0.1em;
    text-transform: uppercase;
  }
</style>
