<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import Figure from './Figure.svelte';
  import { add, facing, mirror, sy } from './geometry';

  // One rep of an order list on the floor: who cuts, who screens, who defends.
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
    lesson.examples[Math.max(0, lesson.rows.findIndex((r) => r.cue === rep.cue))] ?? lesson.examples[0]
  );
  const turn = $derived(rep.side === 'left' ? mirror : <T,>(p: T) => p);
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
  <path d={`M${s.from.x} ${sy(s.from)}L${s.cutter.x} ${sy(s.cutter)}`} class="cut" />
  <path d={`M${s.passer.x} ${sy(s.passer)}L${s.to.x} ${sy(s.to)}`} class="pass" />
  <Figure kind="offence" at={s.passer} text="P" />
  <Figure kind="ball" at={add(s.passer, 1.3, 0.5)} />
  <Figure kind="screener" at={s.screener} text={jersey(rep.screener)} face={facing(s.screener, s.from)} />
  <Figure kind="offence" at={s.from} text={jersey(rep.cutter)} />
  {#if defended}
    <Figure kind="defence" at={s.xCutter} text={jersey(rep.xCutter) || 'X'} face={facing(s.xCutter, s.cutter)} />
    {#if rep.xScreener}
      <Figure kind="defence" at={s.xScreener} text={jersey(rep.xScreener)} face={facing(s.xScreener, s.screener)} />
    {/if}
  {/if}
{/if}

<style>
  .cut {
    stroke: var(--ink);
    stroke-width: 0.24;
  }
  .pass {
    stroke: var(--ink);
    stroke-width: 0.2;
    stroke-dasharray: 0.9 0.7;
    opacity: 0.6;
  }
</style>
