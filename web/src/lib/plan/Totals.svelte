<script lang="ts">
  import type { Player } from '$lib/api/client';
  import type { Draft } from './draft.svelte';

  // Who is here, and what the plan gives each.
  let { draft, players }: { draft: Draft; players: Player[] } = $props();

  const sheet = $derived(draft.sheet);
  const most = $derived(Math.max(1, ...(sheet?.load.map((l) => l.cutter + l.screener) ?? [])));
  const load = $derived(new Map(sheet?.load.map((l) => [l.player, l])));
  const here = (id: string) => draft.input.present.includes(id);
  const limited = (id: string) => draft.input.limited.includes(id);
</script>

<section aria-label="Who is here">
  <div class="line head soft" aria-hidden="true">
    <span>Here</span><span>Not live</span><span>cuts + screens</span><span></span><span>touch</span><span
      >live′</span
    ><span>jumps</span>
  </div>
  <ul class="quiet-list">
    {#each players as p (p.id)}
      {@const l = load.get(p.id)}
      <li class="line" class:away={!here(p.id)}>
        <label>
          <input
            type="checkbox"
            checked={here(p.id)}
            onchange={() => draft.setHere(p.id, here(p.id) ? 'away' : 'here')}
          />
          <span class="numeral jersey">{p.jersey}</span>
          <span class="name">{p.name}</span>
        </label>
        <label class="limited">
          <input
            type="checkbox"
            aria-label={`${p.name} keeps out of live blocks`}
            checked={limited(p.id)}
            disabled={!here(p.id)}
            onchange={() => draft.setHere(p.id, limited(p.id) ? 'here' : 'limited')}
          />
        </label>
        {#if l}
          <span class="bars" aria-label={`${l.cutter} cuts, ${l.screener} screens`} role="img">
            <span class="cut" style:width={`${(l.cutter / most) * 100}%`}></span><span
              class="screen"
              style:width={`${(l.screener / most) * 100}%`}
            ></span>
          </span>
          <span class="numeral">{l.cutter}+{l.screener}</span>
          <span class="numeral">{l.touches}</span>
          <span class="numeral">{l.hardMinutes}</span>
          <span class="numeral">{l.jumps}</span>
        {/if}
      </li>
    {/each}
  </ul>
</section>

<style>
  .line {
    display: grid;
    grid-template-columns: 8.5rem 3.4rem minmax(2rem, 1fr) 3rem 2.6rem 2.6rem 2.6rem;
    gap: 0.4rem;
    align-items: center;
  }
  .line > .numeral {
    text-align: right;
  }
  .head {
    font-size: 0.8rem;
    line-height: 1.1;
  }
  .head span:nth-child(n + 4) {
    text-align: right;
  }
  label {
    display: flex;
    gap: 0.45rem;
    align-items: center;
    min-height: 38px;
  }
  .limited {
    justify-content: center;
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
