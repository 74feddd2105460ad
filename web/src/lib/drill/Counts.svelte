<script lang="ts">
  import type { Schemas } from '$lib/api/client';

  // What every player gets out of an order list.
  let {
    order,
    own,
    jersey,
    name,
    defended
  }: {
    order: Schemas['Order'];
    own: Schemas['Position'][];
    jersey: (id: string) => string;
    name: (id: string) => string;
    defended: boolean;
  } = $props();
</script>

<details class="no-print">
  <summary
    >Counts per player: they differ by <b class="numeral">{order.spread}</b> at most in a position</summary
  >
  <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
  <div class="scroll" role="region" tabindex="0" aria-label="Counts per player">
    <table>
      <thead>
        <tr>
          <th>Player</th>
          <th>{own[0]?.name}</th>
          {#if own.length > 1}<th>{own[1]?.name}</th>{/if}
          {#if own.length > 2}<th>Other places</th>{/if}
          {#if defended}<th>Defends</th>{/if}
          <th>Right</th><th>Left</th><th>Partners</th><th>Touches</th><th>Sprints</th><th>Jumps</th>
        </tr>
      </thead>
      <tbody>
        {#each order.counts as c (c.player)}
          <tr>
            <th scope="row"><span class="numeral">{jersey(c.player)}</span> {name(c.player)}</th>
            <td>{c.cutter}</td>
            {#if own.length > 1}<td>{c.screener}</td>{/if}
            {#if own.length > 2}<td>{c.others}</td>{/if}
            {#if defended}<td>{c.defense}</td>{/if}
            <td>{c.right}</td><td>{c.left}</td><td>{c.partners}</td><td>{c.touches}</td><td>{c.sprints}</td
            ><td>{c.jumps}</td>
          </tr>
        {/each}
      </tbody>
    </table>
  </div>
</details>

<style>
  summary {
    min-height: 44px;
    cursor: pointer;
  }
  .scroll {
    overflow-x: auto;
  }
  table {
    border-collapse: collapse;
    width: 100%;
  }
  th {
    text-align: left;
    font-weight: 400;
    font-size: 0.92rem;
  }
  th,
  td {
    padding: 0.15rem 0.5rem;
    border-top: 1px solid var(--seam);
  }
  td {
    font-family: var(--font-numeral);
    font-size: 1.1rem;
  }
</style>
