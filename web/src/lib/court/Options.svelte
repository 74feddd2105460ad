<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import { session } from '$lib/state/session.svelte';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import { tapeOf } from '$lib/parts/glyphs';

  // The second opinion: every answer played against the defenders, the most open
  // first. The upright line is where open begins.
  let { options, chosen }: { options: Schemas['Option'][]; chosen: string } = $props();

  // A long table shows what comes free at all, and the read that is asked for.
  const most = 6;
  const nothing = 0.05; // ft
  const shown = $derived(
    options.length <= most
      ? options
      : options.filter(
          (o, i) => o.read === chosen || (i < most && o.pass !== 'none' && o.separation > nothing)
        )
  );

  const open = 4; // ft, where the engine's "open" begins
  const widest = 12; // ft at which a bar is full
  const share = (feet: number) => `${Math.min(100, (feet / widest) * 100)}%`;
  const passes = { direct: '', skip: 'over the top', none: 'no pass' };
</script>

<section aria-label="Who comes open">
  <h2>Play it: feet to the nearest defender at the shot</h2>
  <ul class="quiet-list">
    {#each shown as o (o.read)}
      <li class:chosen={o.read === chosen} class:none={o.pass === 'none'}>
        <ReadGlyph read={o.read} size={26} />
        <span>{session.readName(o.read)}</span>
        <span class="rail">
          <span class="bar" style:width={share(o.separation)} style:background={tapeOf(o.read)}></span>
          <span class="line" style:left={share(open)}></span>
        </span>
        <span class="numeral">{o.separation.toFixed(1)}</span>
        <span class="soft">{passes[o.pass] || o.openness}</span>
      </li>
    {/each}
  </ul>
</section>

<style>
  h2 {
    font-size: 1rem;
    margin-bottom: 0.25rem;
  }
  li {
    display: grid;
    grid-template-columns: 26px 6.6rem 1fr 2.4rem 6rem;
    gap: 0.5rem;
    align-items: center;
    font-size: 0.95rem;
  }
  .chosen {
    font-weight: 700;
  }
  .none {
    opacity: 0.65;
  }
  .rail {
    position: relative;
    height: 12px;
    background: var(--seam);
  }
  .bar {
    display: block;
    height: 100%;
  }
  .line {
    position: absolute;
    top: -3px;
    bottom: -3px;
    border-left: 2px solid var(--ink);
  }
  .numeral {
    text-align: right;
    font-size: 1.1rem;
  }
</style>
