<script lang="ts">
  import { onDestroy, onMount, untrack } from 'svelte';
  import { page } from '$app/state';
  import { Floor } from '$lib/run/floor.svelte';
  import { type Logged } from '$lib/run/replog.svelte';
  import { belongsToControl, letGo } from '$lib/parts/keys';
  import { Awake } from '$lib/run/awake.svelte';
  import { horn } from '$lib/run/horn';
  import { hear } from '$lib/run/clicker';
  import Answers from '$lib/run/Answers.svelte';
  import ClockBar from '$lib/run/ClockBar.svelte';
  import Cuts from '$lib/run/Cuts.svelte';
  import EditRep from '$lib/run/EditRep.svelte';
  import Jerseys from '$lib/run/Jerseys.svelte';
  import LogStrip from '$lib/run/LogStrip.svelte';
  import More from '$lib/run/More.svelte';
  import Unsent from '$lib/run/Unsent.svelte';
  import WhoIsUp from '$lib/run/WhoIsUp.svelte';
  import Button from '$lib/ui/Button.svelte';

  const team = page.params.team ?? '';
  const floor = new Floor(team, page.params.practice ?? '');
  const coveredKey = 'evrik.cue-covered';
  let failed = $state('');
  let more = $state(false);
  let part = $state('tools');
  let picking = $state(false);
  let late = $state(false);
  let editing = $state(false);
  let edited = $state.raw<Logged | null>(null);
  let covered = $state(localStorage.getItem(coveredKey) === 'yes');
  let pointing = $state(false); // a clicker's wheel has been turned
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
    void load().then(() => floor.follow());
    ticking = setInterval(() => (floor.line.now = Date.now()), tick);
    return hear(press);
  });
  $effect(() => localStorage.setItem(coveredKey, covered ? 'yes' : 'no'));
  // At an end the clock alone brings the next block.
  const block = $derived(floor.line.current?.block.id);
  $effect(() => {
    if (block) untrack(() => floor.fresh());
  });
  $effect(() => {
    if (floor.line.clock && floor.rota.pointers) untrack(() => floor.keepPlace());
  });
  // The horn sounds once, when the time of a block is up while it runs.
  const up = $derived(Boolean(floor.line.clock?.running) && floor.line.left <= 0 ? block : '');
  let sounded = '';
  $effect(() => {
    if (up && up !== sounded && floor.line.left > -2 * tick) horn();
    sounded = up ?? '';
  });

  onDestroy(() => {
    clearInterval(ticking);
    void awake.want(false);
    floor.leave();
  });

  function open(l: Logged | null) {
    edited = l;
    editing = true;
  }

  /** What a key does, or the same key of a clicker; false where it does nothing. */
  function press(key: string): boolean {
    const a = floor.answers[Number(key) - 1];
    const chosen = floor.answers[floor.pointed];
    if (a) floor.answer(a);
    else if (key === 'PageDown' && chosen) floor.answer(chosen);
    else if (key === 'ArrowDown' || key === 'ArrowUp') {
      floor.turn(key === 'ArrowDown' ? 1 : -1);
      pointing = true;
    } else if (key === 'z' || key === 'PageUp') floor.undo();
    else if (key === 'n') floor.goTo(1);
    else if (key === 'f') floor.freeze();
    else if (key === 'c') covered = !covered;
    else if (key === 'h') horn();
    else if (key === ' ') void floor.act(floor.line.clock?.running ? 'stop' : 'start');
    else return false;
    return true;
  }

  function keys(e: KeyboardEvent) {
    if (e.ctrlKey || e.metaKey || e.altKey || belongsToControl(e)) return;
    if (press(e.key)) e.preventDefault();
  }

  const awake = new Awake();
  const running = $derived(Boolean(floor.line.clock?.running));
  $effect(() => void awake.want(running));
</script>

<svelte:window onkeydown={keys} onclickcapture={letGo} ononline={() => floor.queue.send()} />
<svelte:document onvisibilitychange={() => awake.shown()} />

<div
  class="floor lights-out h-dvh bg-floor text-ink flex flex-col text-base max-sm:h-auto max-sm:min-h-dvh [&_.tape]:min-h-16"
>
  {#if failed && !floor.run}
    <div class="message p-8 grid gap-4">
      <h1>This practice cannot be shown</h1>
      <p>{failed}</p>
      <p>
        <Button main onclick={load}>Retry</Button>
        <Button href={`/${team}/now`}>Cancel</Button>
      </p>
    </div>
  {:else if !floor.run || !floor.line.clock}
    <p role="status" class="message p-8 grid gap-4">Loading the practice…</p>
  {:else if floor.line.blocks.length === 0}
    <div class="message p-8 grid gap-4">
      <h1>This practice has no blocks</h1>
      <p><Button main href={`/${team}/plan/${floor.run.practice.id}`}>Plan it first</Button></p>
    </div>
  {:else}
    <ClockBar {floor} {team} onmore={() => (more = true)} onlate={() => (late = true)} />
    <Unsent {floor} {team} />
    <main
      class="flex-1 min-h-0 overflow-auto grid grid-cols-[minmax(0,_1fr)_minmax(0,_1.15fr)] gap-4 p-4 sm:[container-type:size] max-sm:grid-cols-[minmax(0,_1fr)] max-sm:content-start max-sm:py-2 max-sm:px-3 max-sm:min-h-96 max-sm:gap-2 sm:[&>section[aria-label='What_was_seen']]:sticky sm:[&>section[aria-label='What_was_seen']]:top-0 sm:[&>section[aria-label='What_was_seen']]:self-start sm:[&>section[aria-label='What_was_seen']]:min-h-[100cqh]"
    >
      {#if floor.line.current?.problem}
        <p
          class="big col-span-full self-center text-center text-[length:clamp(2rem,_6vw,_4rem)] font-bold leading-[1.1]"
        >
          {floor.line.current.problem}
        </p>
      {:else if floor.line.current?.order}
        <WhoIsUp
          {floor}
          hidden={covered}
          onpick={() => (picking = true)}
          onlogging={() => {
            part = 'tools';
            more = true;
          }}
        />
        <Answers {floor} {pointing} />
      {:else}
        <p
          class="big col-span-full self-center text-center text-[length:clamp(2rem,_6vw,_4rem)] font-bold leading-[1.1]"
        >
          {floor.line.current?.block.title}
        </p>
      {/if}
    </main>
    <LogStrip {floor} onopen={open} />
    <More bind:open={more} bind:part bind:covered {floor} {team} />
    <Jerseys bind:open={picking} {floor} />
    <Cuts bind:open={late} {floor} {team} />
    <EditRep bind:open={editing} bind:rep={edited} {floor} />
  {/if}
</div>
