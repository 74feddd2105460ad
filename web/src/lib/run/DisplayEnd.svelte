<script lang="ts">
  import { clockText } from '$lib/parts/verdicts';
  import type { SecondScreen } from './display.svelte';

  // One end of the floor, or the whole of it, for eyes 15 m away.
  let { screen, lane, wide }: { screen: SecondScreen; lane: 0 | 1; wide: boolean } = $props();

  const line = $derived(screen.lines[lane]);
  const up = $derived(screen.up(lane));
  const over = $derived(line.left < 0);
  const who = (id: string) => screen.who(id);
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

<section aria-label={line.current?.block.title} class:wide>
  <div class="top">
    <p
      class="clock numeral"
      class:over
      class:standing={!line.clock?.running}
      role="timer"
      aria-label="Time left"
    >
      {over ? '+' : ''}{clockText(Math.abs(line.left))}
    </p>
    <div class="what">
      <h1>{line.current?.block.title}</h1>
      <p class="soft next">Next: {line.next?.block.title ?? 'the end'}</p>
    </div>
  </div>
  <div class="up" style:--size={size}>
    {#each up as b (b.basket)}
      <div class="rep">
        <p class="soft where">{many ? `Basket ${b.basket}, ` : ''}{b.now.side} side</p>
        <p class="pair">
          {#each [b.now.cutter, b.now.screener, ...(b.now.others ?? []).map((o) => o.player)].filter(Boolean) as id (id)}
            <span class="disc numeral" title={who(id)?.name}>{who(id)?.jersey}</span>
          {/each}
          {#if b.now.xCutter}
            <span class="against soft">on</span>
            {#each [b.now.xCutter, b.now.xScreener, ...(b.now.xOthers ?? []).map((o) => o.player)].filter(Boolean) as id (id)}
              <span class="disc wedge numeral">{who(id)?.jersey}</span>
            {/each}
          {/if}
        </p>
        {#if b.then}
          <p class="soft then">
            Then
            {#each [b.then.cutter, b.then.screener].filter(Boolean) as id (id)}
              <b class="numeral">{who(id)?.jersey}</b>
            {/each}
          </p>
        {/if}
      </div>
    {/each}
  </div>
</section>

<style>
  section {
    display: grid;
    grid-template-rows: auto minmax(0, 1fr);
    min-width: 0;
    min-height: 0;
    gap: 2vh;
  }
  .top {
    display: flex;
    flex-direction: column-reverse;
    gap: 1vh 3vw;
    min-width: 0;
  }
  .wide .top {
    flex-direction: row;
    align-items: center;
  }
  .what {
    min-width: 0;
  }
  h1 {
    font-size: 6vh;
    line-height: 1.05;
  }
  .wide h1 {
    font-size: 8vh;
  }
  .clock {
    font-size: min(34vh, 17vw);
    line-height: 0.84;
    color: var(--mark);
  }
  .wide .clock {
    font-size: min(46vh, 26vw);
  }
  .clock.standing {
    color: var(--ink-soft);
  }
  .clock.over {
    color: var(--alarm);
  }
  .up {
    display: grid;
    align-content: center;
    grid-auto-flow: column;
    grid-auto-columns: 1fr;
    gap: 2vw;
    min-height: 0;
  }
  .pair {
    display: flex;
    align-items: center;
    gap: 1vw;
  }
  /* A disc for who attacks; who defends is open, as on the lab's floor. */
  .disc {
    display: grid;
    place-items: center;
    width: var(--size);
    height: var(--size);
    border-radius: 50%;
    background: var(--ink);
    color: var(--on-ink);
    font-size: calc(0.78 * var(--size));
    line-height: 1;
    letter-spacing: -0.03em;
  }
  .disc.wedge {
    background: transparent;
    color: var(--ink);
    border: 0.8vh solid var(--ink);
    border-radius: 0;
  }
  .against,
  .where,
  .then,
  .next {
    font-size: 4vh;
    line-height: 1.2;
  }
  .then .numeral {
    font-size: 7vh;
    line-height: 1;
    color: var(--ink);
    margin-left: 1vw;
  }
</style>
