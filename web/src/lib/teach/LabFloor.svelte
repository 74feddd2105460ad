<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { Point, Schemas } from '$lib/api/client';
  import CourtFloor from '$lib/court/CourtFloor.svelte';
  import Floor from '$lib/court/Floor.svelte';
  import ReadMapLayer from '$lib/court/ReadMapLayer.svelte';
  import { add, placeOf, pointAt, sy } from '$lib/court/geometry';
  import type { Lab } from '$lib/court/lab.svelte';
  import type { Player } from '$lib/court/player.svelte';
  import { arrowsOf, turnersOf } from './handles';
  import Ways from './Ways.svelte';

  // The lab's half court: everybody can be dragged, or moved with the arrow keys.
  let {
    lab,
    player,
    showMap,
    svg = $bindable(),
    onsettle
  }: {
    lab: Lab;
    player: Player;
    showMap: boolean;
    svg?: SVGSVGElement;
    onsettle: () => void;
  } = $props();

  const inset = 0.8; // ft a dragged figure stays inside the lines

  let dragged = $state('');
  const s = $derived(lab.snapshot);
  const lesson = $derived(lab.lesson);
  const map = $derived(lab.maps[lab.mapOf]);
  const upper = $derived(
    Math.min(
      lesson?.lines.halfY ?? 30,
      Math.max(30, ...(s ? [s.to.y + 2, s.cutter.y + 4, s.from.y + 2] : []))
    )
  );

  function move(who: string, to: Point) {
    const l = lesson?.lines;
    if (!l) return;
    player.clear();
    lab.showMap(who);
    lab.move(who, {
      x: Math.max(-l.halfWidth + inset, Math.min(l.halfWidth - inset, to.x)),
      y: Math.max(l.baselineY + inset, Math.min(l.halfY - inset, to.y))
    });
  }

  function down(e: PointerEvent, who: string) {
    (e.currentTarget as Element).setPointerCapture(e.pointerId);
    dragged = who;
    lab.showMap(who);
  }

  function drag(e: PointerEvent) {
    if (!dragged || !svg) return;
    const p = pointAt(svg, e.clientX, e.clientY);
    if (p) move(dragged, p);
  }

  function settle() {
    dragged = '';
    onsettle();
  }

  const steps: Record<string, [number, number]> = {
    ArrowLeft: [-1, 0],
    ArrowRight: [1, 0],
    ArrowUp: [0, 1],
    ArrowDown: [0, -1]
  };

  function nudge(e: KeyboardEvent, who: string) {
    const d = steps[e.key];
    if (!d || !s) return;
    e.preventDefault();
    const feet = e.shiftKey ? 1 / 6 : 0.5;
    move(who, add(placeOf(s, who), d[0] * feet, d[1] * feet));
  }

  const arrows = $derived(lesson && s && !player.play ? arrowsOf(lesson.action.participants, s) : []);
  const turners = $derived(s && !player.play ? turnersOf(s, lab.painted?.row.screenerRead) : []);
  const ball = $derived(lesson?.action.participants.find((p) => p.ball)?.id ?? 'passer');
</script>

{#snippet grab(who: string, name: string, inside: Snippet)}
  <g
    role="button"
    aria-roledescription="draggable player"
    tabindex="0"
    aria-label={`${name}: drag, or move with the arrow keys`}
    class="grab"
    onpointerdown={(e) => down(e, who)}
    onpointermove={drag}
    onpointerup={settle}
    onpointercancel={settle}
    onkeydown={(e) => nudge(e, who)}
    onkeyup={(e) => e.key in steps && settle()}
    onfocus={() => lab.showMap(who)}
  >
    {@render inside()}
  </g>
{/snippet}
{#snippet wrap(p: Schemas['Participant'], inside: Snippet)}
  {@render grab(p.id, p.letter ? `${p.letter} ${p.name}` : p.name, inside)}
{/snippet}

{#if lesson && s}
  <CourtFloor lines={lesson.lines} label="Half court" bind:svg top={upper}>
    {#if showMap && map && !player.play && !lab.asking}
      <ReadMapLayer {map} rows={lesson.rows} lines={lesson.lines} />
    {/if}
    <Ways snapshot={s} play={player.play} passes={ball === 'passer'} />
    {#each arrows as h (h.id)}
      {#snippet tip()}
        {#if !h.still}<path class="arrow" d={`M${h.of.x} ${sy(h.of)}L${h.at.x} ${sy(h.at)}`} />{/if}
        <circle class="touch" cx={h.at.x} cy={sy(h.at)} r="1.2" />
        <circle class="knob" cx={h.at.x} cy={sy(h.at)} r="0.42" />
      {/snippet}
      {@render grab(h.id, h.name, tip)}
    {/each}
    <Floor
      people={lesson.action.participants}
      snapshot={s}
      play={player.play}
      time={player.time}
      {wrap}
      lifted={dragged}
      ring={lab.last?.decider}
      now={player.holding}
    />
    {#each turners as h (h.id)}
      {#snippet knob()}
        <path class="lead" d={`M${h.of.x} ${sy(h.of)}L${h.at.x} ${sy(h.at)}`} />
        <circle class="touch" cx={h.at.x} cy={sy(h.at)} r="1.3" />
        <path
          class="knob"
          d={`M${h.at.x - 0.55} ${sy(h.at)}L${h.at.x} ${sy(h.at) - 0.55}L${h.at.x + 0.55} ${sy(h.at)}L${h.at.x} ${sy(h.at) + 0.55}Z`}
        />
      {/snippet}
      {@render grab(h.id, h.name, knob)}
    {/each}
  </CourtFloor>
{/if}

<style>
  .lead {
    stroke: var(--ink);
    stroke-width: 0.14;
    stroke-dasharray: 0.3 0.3;
  }
  .arrow {
    stroke: var(--ink);
    stroke-width: 0.3;
  }
  .knob {
    fill: var(--sheet);
    stroke: var(--ink);
    stroke-width: 0.2;
  }
  .touch {
    fill: transparent;
  }
  .grab {
    cursor: grab;
  }
  .grab:focus-visible {
    outline: none;
  }
  .grab:focus-visible :global(.touch),
  .grab:focus-visible :global(.disc) {
    stroke: var(--focus);
    stroke-width: 0.3;
  }
</style>
