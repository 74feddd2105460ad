<script lang="ts">
  import { onMount } from 'svelte';
  import { goto, replaceState } from '$app/navigation';
  import { page } from '$app/state';
  import { api, ask, type Schemas } from '$lib/api/client';
  import CourtFloor from '$lib/court/CourtFloor.svelte';
  import Floor from '$lib/court/Floor.svelte';
  import { framing, mirrored, sy } from '$lib/court/geometry';
  import { Player } from '$lib/court/player.svelte';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import { tapeOf } from '$lib/parts/glyphs';
  import { session } from '$lib/state/session.svelte';
  import Button from '$lib/ui/Button.svelte';

  // The lesson for the players: one cue at a time, first the picture, then the
  // answer. Arrow keys, a clicker or a tap go on.
  const team = page.params.team ?? '';
  const player = new Player();
  let lesson = $state.raw<Schemas['Lesson'] | null>(null);
  let problem = $state('');
  let at = $state(0);
  let answered = $state(false);
  let onLeft = $state(false);

  const row = $derived(lesson?.rows[at]);
  const example = $derived(lesson?.examples[at]);
  const s = $derived(example && (onLeft ? mirrored(example) : example));
  const count = $derived(lesson?.rows.length ?? 0);

  onMount(async () => {
    try {
      const screen = page.url.searchParams.get('screen') ?? 'down';
      const l = await ask(
        api.GET('/api/teams/{teamId}/lesson', { params: { path: { teamId: team }, query: { screen } } })
      );
      at = Math.max(
        0,
        l.rows.findIndex((r) => r.cue === page.url.searchParams.get('cue'))
      );
      lesson = l;
    } catch (e) {
      problem = e instanceof Error ? e.message : String(e);
    }
  });

  function to(next: number, open: boolean) {
    player.clear();
    at = Math.max(0, Math.min(count - 1, next));
    answered = open;
    replaceState(`?screen=${lesson?.action.id}&cue=${lesson?.rows[at]?.cue}`, {});
  }

  function forward() {
    if (!answered) answered = true;
    else if (at < count - 1) to(at + 1, false);
  }

  function backward() {
    if (answered) {
      player.clear();
      answered = false;
    } else if (at > 0) to(at - 1, true);
  }

  async function play() {
    if (player.running) return player.stop();
    if (!s) return;
    try {
      answered = true;
      player.start(
        await ask(api.POST('/api/teams/{teamId}/play', { params: { path: { teamId: team } }, body: s }))
      );
    } catch (e) {
      problem = e instanceof Error ? e.message : String(e);
    }
  }

  function full() {
    if (document.fullscreenElement) void document.exitFullscreen();
    else document.documentElement.requestFullscreen?.().catch(() => undefined);
  }

  async function leave() {
    if (document.fullscreenElement) await document.exitFullscreen();
    await goto(`/${team}/teach?screen=${lesson?.action.id ?? 'down'}&cue=${row?.cue ?? ''}`);
  }

  function keys(e: KeyboardEvent) {
    if (e.ctrlKey || e.metaKey || e.altKey) return;
    const does: Record<string, () => void> = {
      ArrowRight: forward,
      PageDown: forward,
      ArrowLeft: backward,
      PageUp: backward,
      f: full,
      m: () => (onLeft = !onLeft),
      Escape: leave
    };
    if (e.key === ' ' && !(e.target as HTMLElement).closest('button')) {
      e.preventDefault();
      void play();
    }
    does[e.key]?.();
  }
</script>

<svelte:window onkeydown={keys} />

{#if problem}
  <main class="p-8">
    <p role="alert">{problem}</p>
    <Button main href={`/${team}/teach`}>Back to the lab</Button>
  </main>
{:else if !lesson || !row || !s}
  <p role="status" class="soft p-8">Loading the court…</p>
{:else}
  <main class="show" style:--tape={answered ? tapeOf(row.cutterRead) : 'var(--seam)'}>
    <div class="picture">
      <CourtFloor
        lines={lesson.lines}
        label="Half court"
        {...framing(s, lesson.action.participants.length, lesson.lines.halfY)}
      >
        {#if player.play}
          {#each player.play.tracks.filter((t) => t.who === 'cutter' || t.who === 'screener') as t (t.who)}
            <polyline class="trail" points={t.keys.map((k) => `${k.at.x},${sy(k.at)}`).join(' ')} />
          {/each}
        {/if}
        <Floor people={lesson.action.participants} situation={s} play={player.play} time={player.time} />
      </CourtFloor>
    </div>
    <div class="words">
      <h1>{lesson.action.name}</h1>
      <p class="seen">{row.seen}.</p>
      {#if answered}
        <div role="status" class="answer">
          <ReadGlyph read={row.cutterRead} size={150} />
          <p class="read">{session.readName(row.cutterRead)}</p>
          <p class="shout">{session.read(row.cutterRead)?.shout}</p>
        </div>
        <p class="part"><b>{lesson.action.parts[0]}.</b> {row.cutterPart}</p>
        <p class="part">
          <b>{lesson.action.parts[1]}: {session.readName(row.screenerRead).toLowerCase()}.</b>
          {row.screenerPart}
        </p>
      {:else}
        <p class="what">What do you do?</p>
      {/if}
    </div>
    <div class="foot">
      <Button onclick={leave}>Close</Button>
      <Button onclick={full}>Full screen</Button>
      <span class="numeral count" aria-label={`Cue ${at + 1} of ${count}`}>{at + 1} / {count}</span>
      <Button onclick={play}>{player.running ? 'Stop' : 'Play it'}</Button>
      <Button disabled={at === 0 && !answered} onclick={backward}>Back</Button>
      <Button main disabled={at === count - 1 && answered} onclick={forward}
        >{answered ? 'Next cue' : 'Answer'}</Button
      >
    </div>
  </main>
{/if}

<style>
  .show {
    height: 100dvh;
    display: grid;
    grid-template: minmax(0, 1fr) auto / minmax(0, 1.5fr) minmax(20rem, 1fr);
    gap: 0 2rem;
    padding: 1rem 1.6rem 0.8rem;
    background: var(--sheet);
    border-top: 16px solid var(--tape);
  }
  .picture {
    min-height: 0;
  }
  .words {
    display: flex;
    flex-direction: column;
    gap: 1rem;
    min-height: 0;
    overflow: auto;
  }
  h1 {
    font-size: clamp(1.3rem, 2.2vw, 2.2rem);
    color: var(--ink-soft);
  }
  .seen {
    font-size: clamp(1.7rem, 3vw, 3.4rem);
    line-height: 1.12;
    font-weight: 700;
  }
  .what {
    font-size: clamp(1.6rem, 2.6vw, 3rem);
    color: var(--ink-soft);
  }
  .answer {
    display: grid;
    grid-template-columns: auto 1fr;
    column-gap: 1.2rem;
    align-items: center;
  }
  .answer :global(svg) {
    grid-row: 1 / 3;
  }
  .read {
    font-size: clamp(2.2rem, 4.4vw, 5rem);
    font-weight: 700;
    line-height: 1;
    align-self: end;
  }
  .shout {
    font-size: clamp(1.4rem, 2.3vw, 2.6rem);
    align-self: start;
  }
  .part {
    font-size: clamp(1.1rem, 1.6vw, 1.8rem);
    line-height: 1.25;
  }
  .trail {
    fill: none;
    stroke: var(--tape);
    stroke-width: 0.5;
  }
  .foot {
    grid-column: 1 / 3;
    display: flex;
    gap: 0.6rem;
    align-items: center;
    padding-top: 0.6rem;
  }
  .count {
    margin: 0 auto;
    font-size: 1.5rem;
  }
  @media (max-width: 800px) {
    .show {
      grid-template: auto minmax(0, 1fr) auto / minmax(0, 1fr);
      padding: 0.5rem 0.8rem;
      overflow: auto;
    }
    .picture {
      height: 44vh;
    }
    .answer :global(svg) {
      width: 84px;
      height: 84px;
    }
    .foot {
      grid-column: 1;
      flex-wrap: wrap;
    }
  }
</style>
