<script lang="ts">
  import type { Point, Schemas } from '$lib/api/client';
  import Figure from './Figure.svelte';
  import { add, facing, mirror, sy } from './geometry';

  // The set-up of one rep on the floor: who cuts, who screens, who defends.
  let {
    lesson,
    rep,
    jersey,
    defended
  }: {
    lesson: Schemas['Lesson'];
    rep: Schemas['OrderRep'];
    jersey: (id: string) => string;
    defended: boolean;
  } = $props();

  const example = $derived(
    lesson.examples[
      Math.max(
        0,
        lesson.rows.findIndex((r) => r.cue === rep.cue)
      )
    ] ?? lesson.examples[0]
  );
  const turn = $derived(rep.side === 'left' ? mirror : <T,>(p: T) => p);
  // A defender starts between his man and the rim.
  const guard = 2.6; // ft
  const inside = (man: Point) => {
    const far = Math.hypot(man.x, man.y);
    return { x: man.x * (1 - guard / far), y: man.y * (1 - guard / far) };
  };
  const s = $derived(
    example && {
      from: turn(example.from),
      to: turn(example.to),
      cutter: turn(example.cutter),
      screener: turn(example.screener),
      passer: turn(example.passer),
      xCutter: turn(example.xCutter),
      xScreener: turn(example.xScreener)
    }
  );
</script>

{#if s}
  {@const across = facing(s.to, s.screener) + 90}
  <path d={`M${s.from.x} ${sy(s.from)}L${s.cutter.x} ${sy(s.cutter)}`} class="cut" />
  <path d={`M${s.to.x} ${sy(s.to)}L${s.screener.x} ${sy(s.screener)}`} class="cut" />
  <path
    d="M-1.500 0H1.500"
    transform={`translate(${s.screener.x} ${sy(s.screener)}) rotate(${across})`}
    class="bar"
  />
  <path d={`M${s.passer.x} ${sy(s.passer)}L${s.to.x} ${sy(s.to)}`} class="pass" />
  <Figure kind="offence" at={s.passer} text="P" />
  <Figure kind="ball" at={add(s.passer, 1.3, 0.5)} />
  <Figure kind="offence" at={s.to} text={jersey(rep.screener)} />
  <Figure kind="offence" at={s.from} text={jersey(rep.cutter)} />
  {#if defended}
    {@const x = inside(s.from)}
    {@const xs = inside(s.to)}
    <Figure kind="defence" at={x} text={jersey(rep.xCutter) || 'X'} face={facing(x, s.from)} />
    {#if rep.xScreener}<Figure
        kind="defence"
        at={xs}
        text={jersey(rep.xScreener)}
        face={facing(xs, s.to)}
      />{/if}
  {/if}
{/if}

<style>
  .cut {
    stroke: var(--ink);
    stroke-width: 0.24;
  }
  .bar {
    stroke: var(--ink);
    stroke-width: 0.45;
  }
  .pass {
    stroke: var(--ink);
    stroke-width: 0.2;
    stroke-dasharray: 0.9 0.7;
    opacity: 0.6;
  }
</style>
