<script lang="ts">
  import { onMount } from 'svelte';
  import Input from 'flowbite-svelte/Input.svelte';
  import { api, ask, type Schemas } from '$lib/api/client';
  import { Player } from '$lib/court/player.svelte';
  import DrillFloor from '$lib/drill/DrillFloor.svelte';
  import { clockText } from '$lib/parts/verdicts';
  import RoundFloor from '$lib/quiz/RoundFloor.svelte';
  import DisplayBasket from '$lib/run/DisplayBasket.svelte';
  import { GymDisplay } from '$lib/run/display.svelte';
  import Button from '$lib/ui/Button.svelte';
  import Note from '$lib/ui/Note.svelte';

  // The gym's second screen: read from 15 m, touched once.
  const display = new GymDisplay();
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
    void display.load();
    awake();
    const timer = setInterval(() => display.tick(), tick);
    return () => {
      clearInterval(timer);
      clearTimeout(idler);
      player.stop();
      display.leave();
    };
  });

  async function pair(e: SubmitEvent) {
    e.preventDefault();
    refused = '';
    try {
      await display.pair(code);
    } catch (err) {
      refused = err instanceof Error ? err.message : String(err);
    }
  }

  const line = $derived(display.lines[0]);
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

  $effect(() => display.round.follow());

  function full() {
    if (document.fullscreenElement) void document.exitFullscreen();
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

<div class="lights-out gym h-dvh flex flex-col bg-floor text-ink [padding:2vh_2vw_0] overflow-hidden">
  {#if display.view}
    {#if display.round.pack && display.round.state}
      <main
        class="asked flex-1 grid min-h-0 grid-cols-[minmax(0,_1.35fr)_minmax(0,_1fr)] [gap:3vw] items-center [&_svg]:max-h-[86vh]"
      >
        <RoundFloor
          asking={display.round.asking}
          pack={display.round.pack}
          at={display.round.state.question}
          still
        />
      </main>
    {:else}
      <main
        class="flex-1 grid min-h-0 [&.split]:grid-cols-[minmax(0,_1fr)_minmax(0,_1fr)] [&.split]:[gap:3vw] [&.pictured]:grid-cols-[minmax(0,_1fr)_minmax(0,_1fr)] [&.pictured]:[gap:3vw] [&.split.pictured]:grid-cols-[repeat(3,_minmax(0,_1fr))]"
        class:split={display.split}
        class:pictured={motion}
      >
        <DisplayBasket {display} basket={0} wide={!display.split && !motion} />
        {#if display.split}<DisplayBasket {display} basket={1} wide={false} />{/if}
        {#if motion}
          <div
            class="picture min-h-0 [--board:#1c252c]"
            role="img"
            aria-label={`How ${motion.drill.name} runs`}
          >
            <DrillFloor
              drill={motion.drill}
              motion={motion.motion}
              {player}
              rep={display.up(0)[0]?.now}
              jersey={(id) => display.who(id)?.jersey ?? ''}
            />
          </div>
        {/if}
      </main>
    {/if}
    <footer class="flex items-center [gap:2vw] min-h-15 text-[2.6vh] text-soft" class:idle>
      <span>{display.view.team}</span>
      {#if line.practiceLeft !== undefined}
        <span
          ><b class="numeral text-[4vh] text-ink"
            >{line.practiceLeft < 0 ? '+' : ''}{clockText(Math.abs(line.practiceLeft))}</b
          > of practice</span
        >
      {/if}
      <span class="ml-auto text-alarm" role="status">{display.problem}</span>
      <Button
        class="[footer.idle_&]:opacity-0"
        disabled={!block || display.round.pack !== null}
        aria-pressed={showing}
        onclick={() => (showing = !showing)}>Show the drill</Button
      >
      <Button class="[footer.idle_&]:opacity-0" onclick={full}>Full screen</Button>
    </footer>
  {:else if display.unpaired}
    <form class="[margin:auto] grid gap-4 max-w-136 text-lg" onsubmit={pair}>
      <h1 class="text-3xl">Second screen</h1>
      <p>On the floor, under More, ask for a code for a screen and type it here.</p>
      <label>
        <span class="soft">Code</span>
        <Input
          class="numeral w-full py-2 px-4 bg-sheet text-ink border-2 border-line text-3xl tracking-[0.1em] [text-transform:uppercase]"
          bind:value={code}
          autocomplete="off"
          autocapitalize="characters"
          maxlength={8}
          required
        />
      </label>
      <Button type="submit" main>Show the practice</Button>
      {#if refused}<Note>{refused}</Note>{/if}
    </form>
  {:else}
    <p role="status" class="[margin:auto] grid gap-4 max-w-136 text-lg">
      {display.problem || 'Loading the practice…'}
    </p>
  {/if}
</div>
