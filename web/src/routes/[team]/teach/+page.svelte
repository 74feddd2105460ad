<script lang="ts">
  import { onMount } from 'svelte';
  import { replaceState } from '$app/navigation';
  import { page } from '$app/state';
  import { api, ask, type Point, type Schemas } from '$lib/api/client';
  import CourtFloor from '$lib/court/CourtFloor.svelte';
  import Figure from '$lib/court/Figure.svelte';
  import ReadMapLayer from '$lib/court/ReadMapLayer.svelte';
  import AnswerPanel from '$lib/court/AnswerPanel.svelte';
  import { add, along, facing, pointAt, sy } from '$lib/court/geometry';
  import { Lab, type Figure as Who } from '$lib/court/lab.svelte';
  import { Player } from '$lib/court/player.svelte';
  import CueGlyph from '$lib/parts/CueGlyph.svelte';
  import { cueName } from '$lib/parts/glyphs';
  import { session } from '$lib/state/session.svelte';
  import { notices } from '$lib/state/notices.svelte';

  const team = page.params.team ?? '';
  const lab = new Lab(team);
  const player = new Player();
  let svg = $state<SVGSVGElement>();
  let dragged = $state<Who | null>(null);
  let mapOf = $state<'xCutter' | 'xScreener'>('xCutter');
  let showMap = $state(true);

  // The address names the screen and the cue, so that it can be sent to somebody.
  const asked = (name: string) => page.url.searchParams.get(name) ?? undefined;
  onMount(async () => {
    await lab.load(asked('screen') ?? 'down', asked('cue'), asked('read'));
    const at = asked('at');
    if (at) lab.place(at);
  });

  /** Keeps the address on the situation, so that it can be sent to somebody. */
  function remember() {
    dragged = null;
    lab.settle();
    if (s) replaceState(`?screen=${s.screen}&at=${lab.address}`, {});
  }

  async function question() {
    player.clear();
    try {
      await lab.question();
    } catch (e) {
      notices.fail(e);
    }
  }

  async function choose(screen: string) {
    player.clear();
    await lab.load(screen);
    replaceState(`?screen=${screen}`, {});
  }

  const s = $derived(lab.situation);
  const map = $derived(lab.maps[mapOf]);
  const inset = 0.8; // ft a dragged figure stays inside the lines

  /** The map shows the places of the defender in hand. */
  function take(who: Who) {
    if (who === 'xCutter' || who === 'xScreener') mapOf = who;
  }

  function move(who: Who, to: Point) {
    const l = lab.lesson?.lines;
    if (!l) return;
    player.stop();
    take(who);
    lab.move(who, {
      x: Math.max(-l.halfWidth + inset, Math.min(l.halfWidth - inset, to.x)),
      y: Math.max(l.baselineY + inset, Math.min(l.halfY - inset, to.y))
    });
  }

  function down(e: PointerEvent, who: Who) {
    (e.currentTarget as Element).setPointerCapture(e.pointerId);
    dragged = who;
    take(who);
  }

  function drag(e: PointerEvent) {
    if (!dragged || !svg) return;
    const p = pointAt(svg, e.clientX, e.clientY);
    if (p) move(dragged, p);
  }

  const steps: Record<string, [number, number]> = {
    ArrowLeft: [-1, 0],
    ArrowRight: [1, 0],
    ArrowUp: [0, 1],
    ArrowDown: [0, -1]
  };

  function nudge(e: KeyboardEvent, who: Who) {
    const d = steps[e.key];
    if (!d || !s) return;
    e.preventDefault();
    const feet = e.shiftKey ? 1 / 6 : 0.5;
    move(who, add(s[who], d[0] * feet, d[1] * feet));
  }

  async function play() {
    if (player.running) return player.stop();
    await fetchPlay((p) => player.start(p));
  }

  async function fetchPlay(use: (p: Schemas['Play']) => void) {
    if (!s) return;
    try {
      use(await ask(api.POST('/api/teams/{teamId}/play', { params: { path: { teamId: team } }, body: s })));
    } catch (e) {
      notices.fail(e);
    }
  }

  async function step() {
    if (player.play) return player.step();
    await fetchPlay((p) => player.load(p));
  }

  function keys(e: KeyboardEvent) {
    if (
      e.ctrlKey ||
      e.metaKey ||
      e.altKey ||
      (e.target as HTMLElement).closest('input, select, textarea, button')
    )
      return;
    if (e.key === 'm') lab.mirror();
    if (e.key === 'n') step();
    if (e.key === ' ') {
      e.preventDefault();
      play();
    }
  }

  /** Where a figure is: in the play, or in the situation. */
  const place = (who: string, at: Point) => {
    const track = player.play?.tracks.find((t) => t.who === who);
    return track ? along(track.keys, player.time) : at;
  };
  const movers: {
    id: Who;
    name: string;
    text: string;
    kind: 'offence' | 'screener' | 'defence';
    man?: Who;
  }[] = [
    { id: 'screener', name: 'Screener', text: 'S', kind: 'screener' },
    { id: 'cutter', name: 'Cutter', text: 'C', kind: 'offence' },
    { id: 'xCutter', name: "Cutter's defender", text: 'C', kind: 'defence', man: 'cutter' },
    { id: 'xScreener', name: "Screener's defender", text: 'S', kind: 'defence', man: 'screener' }
  ];
</script>

<svelte:window onkeydown={keys} />

{#if !lab.lesson || !s}
  <p role="status" class="soft">Laying the court out…</p>
{:else}
  {@const lesson = lab.lesson}
  <div class="lab">
    <section class="floor">
      <div class="bar">
        <select
          class="screen"
          aria-label="Screen"
          value={lesson.screen.id}
          onchange={(e) => choose(e.currentTarget.value)}
        >
          {#each session.catalogue?.screens ?? [] as o (o.id)}<option value={o.id}>{o.name}</option>{/each}
        </select>
        <p class="soft">{lesson.screen.about} <b>Drag anybody.</b></p>
      </div>
      <div class="court-box sheet">
        {#if player.moment}
          <p class="moment" role="status"><b>{player.moment.name}.</b> {player.moment.say}</p>
        {/if}
        <CourtFloor lines={lesson.lines} label="Half court" bind:svg top={30}>
          {#if showMap && map && !player.play && !lab.asking}<ReadMapLayer
              {map}
              rows={lesson.rows}
              lines={lesson.lines}
            />{/if}
          {#if !player.play}
            <path class="cut" d={`M${s.from.x} ${sy(s.from)}L${s.cutter.x} ${sy(s.cutter)}`} />
            <path class="pass" d={`M${s.passer.x} ${sy(s.passer)}L${s.to.x} ${sy(s.to)}`} />
            <circle class="catch" cx={s.to.x} cy={sy(s.to)} r="0.7" />
          {:else}
            {#each player.play.tracks.filter((t) => t.who === 'cutter' || t.who === 'screener') as t (t.who)}
              <polyline class="trail" points={t.keys.map((k) => `${k.at.x},${sy(k.at)}`).join(' ')} />
            {/each}
          {/if}
          <Figure kind="offence" at={place('passer', s.passer)} text="P" />
          <Figure kind="ball" at={place('ball', add(s.passer, 1.3, 0.5))} />
          {#each movers as m (m.id)}
            {@const at = place(m.id, s[m.id])}
            <g
              role="button"
              aria-roledescription="draggable player"
              tabindex="0"
              aria-label={`${m.name}: drag, or move with the arrow keys`}
              class="grab"
              onpointerdown={(e) => down(e, m.id)}
              onpointermove={drag}
              onpointerup={remember}
              onpointercancel={remember}
              onkeydown={(e) => nudge(e, m.id)}
              onkeyup={remember}
              onfocus={() => take(m.id)}
            >
              <Figure
                kind={m.kind}
                {at}
                text={m.text}
                lifted={dragged === m.id}
                face={facing(at, m.man ? place(m.man, s[m.man]) : s.from)}
              />
            </g>
          {/each}
        </CourtFloor>
      </div>
      <div class="tools">
        <button class="tape" onclick={play}>{player.running ? 'Stop' : 'Play'}</button>
        <button class="tape plain" aria-pressed={player.slow} onclick={() => (player.slow = !player.slow)}
          >Slow</button
        >
        <button class="tape plain" onclick={step}>Step</button>
        {#if player.play}<button class="tape plain" onclick={() => player.clear()}>Back to the read</button
          >{/if}
        <button class="tape plain" onclick={() => lab.mirror()}>Mirror</button>
        <button class="tape plain" onclick={question}>Give me one</button>
        <button class="tape plain" aria-pressed={showMap} onclick={() => (showMap = !showMap)}
          >Read map</button
        >
      </div>
      <div class="cues" role="group" aria-label="Show a cue">
        {#each lesson.rows as r (r.cue)}
          <button
            class="tape plain"
            aria-pressed={!lab.asking && lab.painted?.cue === r.cue}
            onclick={() => {
              player.clear();
              lab.example(r.cue);
            }}
          >
            <CueGlyph cue={r.cue} size={36} />{cueName(r.cue)}
          </button>
        {/each}
      </div>
    </section>
    <div class="grid gap-3">
      <AnswerPanel {lab} />
      <p class="papers">
        <a class="tape plain" href={`/${team}/teach/cards?screen=${lesson.screen.id}`}>Cue cards</a>
        <a class="tape plain" href={`/${team}/teach/tape`}>Tape sheet</a>
      </p>
    </div>
  </div>
{/if}

<style>
  .lab {
    display: grid;
    grid-template-columns: minmax(0, 1.55fr) minmax(21rem, 1fr);
    gap: 1.25rem;
    align-items: start;
  }
  .floor {
    display: grid;
    gap: 0.75rem;
  }
  .bar {
    display: grid;
    grid-template-columns: auto 1fr;
    gap: 0 1rem;
    align-items: center;
    min-height: 48px;
  }
  .screen {
    border: 0;
    background-color: transparent;
    font: inherit;
    font-size: 1.55rem;
    font-weight: 700;
    color: var(--ink);
    min-height: 48px;
    padding: 0 2.4rem 0 0;
    field-sizing: content;
    max-width: 22rem;
    cursor: pointer;
  }
  .bar .soft {
    font-size: 0.92rem;
    line-height: 1.25;
  }
  .court-box {
    position: relative;
    height: calc(100vh - 18.2rem);
    min-height: 20rem;
    max-height: 46rem;
  }
  .cut {
    stroke: var(--ink);
    stroke-width: 0.22;
    opacity: 0.55;
  }
  .pass {
    stroke: var(--ink);
    stroke-width: 0.2;
    stroke-dasharray: 0.9 0.7;
    opacity: 0.5;
  }
  .catch {
    fill: none;
    stroke: var(--ink);
    stroke-width: 0.18;
    stroke-dasharray: 0.5 0.4;
  }
  .trail {
    fill: none;
    stroke: var(--ink);
    stroke-width: 0.2;
    opacity: 0.4;
  }
  .grab {
    cursor: grab;
  }
  .grab:focus-visible {
    outline: none;
  }
  .grab:focus-visible :global(.touch) {
    stroke: var(--focus);
    stroke-width: 0.3;
  }
  .papers {
    display: flex;
    gap: 0.5rem;
  }
  .tools,
  .cues {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem;
    align-items: center;
  }
  .cues .tape {
    padding: 0 0.8rem 0 0.5rem;
    font-weight: 400;
  }
  .moment {
    position: absolute;
    inset: 0 0 auto 0;
    padding: 0.5rem 0.9rem;
    background: color-mix(in srgb, var(--sheet) 88%, transparent);
    pointer-events: none;
  }
  @media (max-width: 900px) {
    .bar {
      grid-template-columns: minmax(0, 1fr);
    }
    .lab {
      grid-template-columns: minmax(0, 1fr);
    }
    .court-box {
      height: auto;
      min-height: 0;
      aspect-ratio: 52 / 39;
    }
  }
</style>
