<script lang="ts">
  import type { Player } from '$lib/api/client';
  import type { Draft } from './draft.svelte';

  // Who is here, and what the plan gives each.
  let { draft, players }: { draft: Draft; players: Player[] } = $props();

  const sheet = $derived(draft.sheet);
  const most = $derived(Math.max(1, ...(sheet?.load.map((l) => l.cutter + l.screener) ?? [])));
  const load = $derived(new Map(sheet?.load.map((l) => [l.player, l])));
</script>

<section aria-label="Who is here">
  <h2>Who is here <span class="soft">cuts and screens each gets</span></h2>
  <ul class="quiet-list">
    {#each players as p (p.id)}
      {@const l = load.get(p.id)}
      <li class:away={!draft.input.present.includes(p.id)}>
        <label>
          <input
            type="checkbox"
            checked={draft.input.present.includes(p.id)}
            onchange={() => draft.togglePresent(p.id)}
          />
          <span class="numeral jersey">{p.jersey}</span>
          <span class="name">{p.name}</span>
        </label>
        {#if l}
          <span class="bars" aria-label={`${l.cutter} cuts, ${l.screener} screens`} role="img">
            <span class="cut" style:width={`${(l.cutter / most) * 100}%`}></span><span
              class="screen"
              style:width={`${(l.screener / most) * 100}%`}
            ></span>
          </span>
          <span class="numeral">{l.cutter}+{l.screener}</span>
        {/if}
      </li>
    {/each}
  </ul>
</section>

<style>
  section {
    display: grid;
    gap: 0.5rem;
  }
  h2 .soft {
    font-weight: 400;
    font-size: 0.9rem;
  }
  li {
    display: grid;
    grid-template-columns: 10rem 1fr 3rem;
    gap: 0.6rem;
    align-items: center;
  }
  label {
    display: flex;
    gap: 0.5rem;
    align-items: center;
    min-height: 36px;
  }
  input {
    width: 20px;
    height: 20px;
  }
  .jersey {
    min-width: 1.5rem;
    text-align: right;
  }
  .away .name {
    text-decoration: line-through;
    color: var(--ink-soft);
  }
  .bars {
    display: flex;
    height: 12px;
    background: var(--seam);
  }
  .cut {
    background: var(--tape-blue);
  }
  .screen {
    background: repeating-linear-gradient(90deg, var(--tape-teal) 0 3px, transparent 3px 5px);
  }
</style>
