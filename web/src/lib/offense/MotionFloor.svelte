<script lang="ts">
  import CourtFloor from '$lib/court/CourtFloor.svelte';
  import Figure from '$lib/court/Figure.svelte';
  import { add, facing, pointAt, sy } from '$lib/court/geometry';
  import type { OffenseLab } from './lab.svelte';

  // The half court with an offense on it: it runs, or stands to be dragged about.
  let { lab }: { lab: OffenseLab } = $props();

  let svg = $state<SVGSVGElement>();
  let dragged = $state(-1);
  const five = [0, 1, 2, 3, 4];
  const who = (i: number) => lab.view.players.find((p) => p.id === lab.five[i]);
  const ball = $derived(lab.place('ball'));
  const loose = $derived(!lab.player.play);
  const marked = $derived(new Set(lab.shown.slice(-2).flatMap((v) => v.players)));
  // The ways of the pass that is being run.
  const ways = $derived.by(() => {
    const run = lab.run;
    const from = lab.pass?.t;
    if (!run || from === undefined || lab.covered) return [];
    const to = run.passes.find((p) => p.t > from)?.t ?? run.play.duration;
    return run.play.tracks
      .filter((t) => t.who.startsWith('p'))
      .map((t) => t.keys.filter((k) => k.t >= from && k.t <= to).map((k) => `${k.at.x},${sy(k.at)}`))
      .filter((p) => new Set(p).size > 1);
  });

  function down(e: PointerEvent, i: number) {
    if (!loose) lab.freeze();
    (e.currentTarget as Element).setPointerCapture(e.pointerId);
    dragged = i;
  }
  function move(e: PointerEvent) {
    const p = dragged >= 0 && svg ? pointAt(svg, e.clientX, e.clientY) : null;
    if (p) lab.drag(dragged, p);
  }
  function up() {
    if (dragged >= 0) void lab.check();
    dragged = -1;
  }
  const steps: Record<string, [number, number]> = {
    ArrowLeft: [-1, 0],
    ArrowRight: [1, 0],
    ArrowUp: [0, 1],
    ArrowDown: [0, -1]
  };
  function nudge(e: KeyboardEvent, i: number) {
    const d = steps[e.key];
    const at = lab.place(`p${i}`);
    if (!d || !at) return;
    e.preventDefault();
    if (!loose) lab.freeze();
    const feet = e.shiftKey ? 1 / 6 : 1;
    lab.drag(i, add(at, d[0] * feet, d[1] * feet));
    void lab.check();
  }
</script>

<CourtFloor lines={lab.view.lines} label="The offense on the floor" bind:svg top={30}>
  {#each ways as w, i (i)}<polyline class="way" points={w.join(' ')} />{/each}
  {#if lab.against !== 'none'}
    {#each five as i (i)}
      {@const x = lab.place(`x${i}`)}
      {#if x}<Figure kind="defense" at={x} face={facing(x, ball ?? x)} />{/if}
    {/each}
  {/if}
  {#each five as i (i)}
    {@const p = lab.place(`p${i}`)}
    {#if p}
      <g
        role="button"
        aria-roledescription="draggable player"
        tabindex="0"
        aria-label={`${who(i) ? `${who(i)?.jersey} ${who(i)?.name}` : `${i + 1} Player ${i + 1}`}: drag, or move with the arrow keys`}
        class="grab"
        onpointerdown={(e) => down(e, i)}
        onpointermove={move}
        onpointerup={up}
        onpointercancel={up}
        onkeydown={(e) => nudge(e, i)}
      >
        {#if marked.has(i)}<circle class="broken" cx={p.x} cy={sy(p)} r="2" />{/if}
        <circle class="touch" cx={p.x} cy={sy(p)} r="2.4" />
        <Figure kind="offense" at={p} text={who(i)?.jersey ?? String(i + 1)} large />
      </g>
    {/if}
  {/each}
  {#if ball}<Figure kind="ball" at={add(ball, 1.6, 0.9)} />{/if}
</CourtFloor>

<style>
  .way {
    fill: none;
    stroke: var(--ink);
    stroke-width: 0.22;
    opacity: 0.4;
    stroke-dasharray: 0.8 0.5;
  }
  .grab {
    cursor: grab;
  }
  .grab:focus-visible {
    outline: none;
  }
  .grab:focus-visible .touch {
    stroke: var(--focus);
    stroke-width: 0.35;
  }
  .touch {
    fill: transparent;
  }
  .broken {
    fill: none;
    stroke: var(--tape-orange);
    stroke-width: 0.5;
    stroke-dasharray: 0.9 0.5;
  }
</style>
