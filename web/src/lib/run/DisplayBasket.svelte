<script lang="ts">
  import { clockText } from '$lib/parts/verdicts';
  import type { GymDisplay } from './display.svelte';

  // One basket, or the whole floor, for eyes 15 m away.
  let { display, basket, wide }: { display: GymDisplay; basket: 0 | 1; wide: boolean } = $props();

  const line = $derived(display.lines[basket]);
  const up = $derived(display.up(basket));
  const over = $derived(line.left < 0);
  const who = (id: string) => display.who(id);
  const many = $derived(up.length > 1);
  /** As large as fits beside one another: a share of the width, at most a quarter of
   * the height. */
  const size = $derived.by(() => {
    const r = up[0]?.now;
    const side = 2 + (r?.others?.length ?? 0);
    const across = (r?.xCutter ? 2 * side + 0.6 : side) * up.length;
    return `min(25vh, ${((wide ? 88 : 42) / across - 1).toFixed(1)}vw)`;
  });
</script>

<section
  class="grid grid-rows-[auto_minmax(0,_1fr)] min-w-0 min-h-0 [gap:2vh]"
  aria-label={line.current?.block.title}
  class:wide
>
  <div class="flex flex-col-reverse [gap:1vh_3vw] min-w-0 [.wide_&]:flex-row [.wide_&]:items-center">
    <p
      class="clock numeral text-[length:min(34vh,_17vw)] leading-[0.84] text-mark [.wide_&]:text-[length:min(46vh,_26vw)] [&.standing]:text-soft [&.over]:text-alarm"
      class:over
      class:standing={!line.clock?.running}
      role="timer"
      aria-label="Time left"
    >
      {over ? '+' : ''}{clockText(Math.abs(line.left))}
    </p>
    <div class="what min-w-0">
      <h1 class="text-[6vh] leading-[1.05] [.wide_&]:text-[8vh]">{line.current?.block.title}</h1>
      <p class="soft next text-[4vh] leading-[1.2]">Next: {line.next?.block.title ?? 'the end'}</p>
    </div>
  </div>
  <div
    class="grid content-center [grid-auto-flow:column] [grid-auto-columns:1fr] [gap:2vw] min-h-0"
    style:--size={size}
  >
    {#each up as b (b.basket)}
      <div class="rep">
        <p class="soft where text-[4vh] leading-[1.2]">
          {many ? `Basket ${b.basket}, ` : ''}{b.now.side} side
        </p>
        <p class="flex items-center [gap:1vw]">
          {#each [b.now.cutter, b.now.screener, ...(b.now.others ?? []).map((o) => o.player)].filter(Boolean) as id (id)}
            <span
              class="disc numeral grid place-items-center w-[var(--size)] h-[var(--size)] rounded-full bg-ink text-on-ink text-[length:calc(0.78_*_var(--size))] leading-none tracking-[-0.03em]"
              title={who(id)?.name}>{who(id)?.jersey}</span
            >
          {/each}
          {#if b.now.xCutter}
            <span class="soft text-[4vh] leading-[1.2]">on</span>
            {#each [b.now.xCutter, b.now.xScreener, ...(b.now.xOthers ?? []).map((o) => o.player)].filter(Boolean) as id (id)}
              <span
                class="disc wedge numeral grid place-items-center w-[var(--size)] h-[var(--size)] text-[length:calc(0.78_*_var(--size))] leading-none tracking-[-0.03em] bg-transparent text-ink [border:0.8vh_solid_var(--ink)] rounded-none"
                >{who(id)?.jersey}</span
              >
            {/each}
          {/if}
        </p>
        {#if b.then}
          <p class="soft then text-[4vh] leading-[1.2]">
            Then
            {#each [b.then.cutter, b.then.screener].filter(Boolean) as id (id)}
              <b class="numeral text-[7vh] leading-none text-ink ml-[1vw]">{who(id)?.jersey}</b>
            {/each}
          </p>
        {/if}
      </div>
    {/each}
  </div>
</section>
