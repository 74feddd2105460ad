<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import { goto, replaceState } from '$app/navigation';
  import { page } from '$app/state';
  import { api, ask } from '$lib/api/client';
  import CourtFloor from '$lib/court/CourtFloor.svelte';
  import Floor from '$lib/court/Floor.svelte';
  import { framing, sy } from '$lib/court/geometry';
  import { Player } from '$lib/court/player.svelte';
  import { tapeOf } from '$lib/parts/glyphs';
  import { notices } from '$lib/state/notices.svelte';
  import { Deck } from '$lib/teach/deck.svelte';
  import ShownWords from '$lib/teach/ShownWords.svelte';
  import Button from '$lib/ui/Button.svelte';

  let { data } = $props();
  // The lesson for the players. Arrow keys, a clicker or a tap go on.
  const team = page.params.team ?? '';
  const player = new Player();
  const lesson = untrack(() => data.lesson);
  const deck = new Deck(lesson, page.url.searchParams.get('cue'), () => {
    player.clear();
    replaceState(`?action=${lesson.action.id}&cue=${deck.row.cue}`, {});
  });
  onMount(() => () => player.clear());

  async function play() {
    if (player.running) return player.stop();
    try {
      deck.answered = true;
      const path = { teamId: team };
      player.show(await ask(api.POST('/api/teams/{teamId}/play', { params: { path }, body: deck.picture })));
    } catch (e) {
      notices.fail(e);
    }
  }

  function full() {
    if (document.fullscreenElement) void document.exitFullscreen();
    else document.documentElement.requestFullscreen?.().catch(() => undefined);
  }

  async function leave() {
    if (document.fullscreenElement) await document.exitFullscreen();
    await goto(`/${team}/teach?action=${lesson.action.id}&cue=${deck.row.cue}`);
  }

  const does: Record<string, () => void> = {
    ArrowRight: () => deck.forward(),
    PageDown: () => deck.forward(),
    ArrowLeft: () => deck.backward(),
    PageUp: () => deck.backward(),
    f: full,
    m: () => (deck.onLeft = !deck.onLeft),
    Escape: () => void leave()
  };
  function keys(e: KeyboardEvent) {
    if (e.ctrlKey || e.metaKey || e.altKey) return;
    if (e.key === ' ' && !(e.target as HTMLElement).closest('button')) {
      e.preventDefault();
      void play();
    }
    does[e.key]?.();
  }
</script>

<svelte:window onkeydown={keys} />

<main
  class="grid h-dvh grid-cols-1 grid-rows-[auto_minmax(0,1fr)_auto] gap-x-8 overflow-auto border-t-16 border-t-(--tape) bg-sheet px-3 py-2 md:grid-cols-[minmax(0,1.5fr)_minmax(20rem,1fr)] md:grid-rows-[minmax(0,1fr)_auto] md:px-6 md:py-4"
  style:--tape={deck.answered ? tapeOf(deck.row.cutterRead) : 'var(--seam)'}
>
  <div class="h-[44vh] min-h-0 md:h-auto">
    <CourtFloor
      lines={lesson.lines}
      label="Half court"
      {...framing(deck.picture, lesson.action.participants.length, lesson.lines.halfY)}
    >
      {#if player.play}
        {#each player.play.tracks.filter((t) => t.who === 'cutter' || t.who === 'screener') as t (t.who)}
          <polyline
            class="fill-none stroke-(--tape) [stroke-width:0.5]"
            points={t.keys.map((k) => `${k.at.x},${sy(k.at)}`).join(' ')}
          />
        {/each}
      {/if}
      <Floor
        people={lesson.action.participants}
        snapshot={deck.picture}
        play={player.play}
        time={player.time}
        ring={deck.decider}
        now={player.holding}
      />
    </CourtFloor>
  </div>
  <ShownWords action={lesson.action} row={deck.row} answered={deck.answered} />
  <div class="flex flex-wrap items-center gap-2 pt-2 md:col-span-2">
    <Button onclick={leave}>Close</Button>
    <Button onclick={full}>Full screen</Button>
    <span class="numeral mx-auto text-xl" aria-label={`Cue ${deck.at + 1} of ${deck.count}`}
      >{deck.at + 1} / {deck.count}</span
    >
    <Button onclick={play}>{player.running ? 'Stop' : 'Play it'}</Button>
    <Button disabled={deck.atStart} onclick={() => deck.backward()}>Back</Button>
    <Button main disabled={deck.atEnd} onclick={() => deck.forward()}
      >{deck.answered ? 'Next cue' : 'Answer'}</Button
    >
  </div>
</main>
