<script lang="ts">
  import { page } from '$app/state';
  import CourtFloor from '$lib/court/CourtFloor.svelte';
  import { sy } from '$lib/court/geometry';

  let { data } = $props();
  // Where the tape goes on the team's floor, as lengths a person can measure.
  const path = { teamId: page.params.team ?? '' };
  const tape = $derived(data.tape);
</script>

<div class="page-head no-print">
  <h1>Tape sheet</h1>
  <button class="tape" onclick={() => print()}>Print</button>
  <a class="tape plain" href={`/${path.teamId}/teach`}>Back to the lab</a>
  <a class="tape plain" href={`/${path.teamId}/settings`}>Change the floor</a>
</div>
<p class="soft">
  Measure square to the baseline, then square to the sideline. Floor: {tape.source}. Measure your own gym
  before you tape.
</p>
<div class="both">
  <div class="picture sheet">
    <CourtFloor lines={tape.lines} label="Spots on the floor" top={34}>
      {#each tape.marks as m, i (m.name)}
        {#if m.screen}
          <path class="bar" d={`M${m.at.x - 1.1} ${sy(m.at)}h2.2`} />
          <text x={m.at.x + 1.3} y={sy(m.at) + 0.4}>{i + 1}</text>
        {:else if m.fromSideline}
          <path class="x" d={`M${m.at.x - 0.5} ${sy(m.at) - 0.5}l1 1m0 -1l-1 1`} />
          <text x={m.at.x + 0.8} y={sy(m.at) + 0.4}>{i + 1}</text>
        {:else}
          <path class="across" d={`M${-tape.lines.halfWidth} ${sy(m.at)}H${tape.lines.halfWidth}`} />
        {/if}
      {/each}
    </CourtFloor>
  </div>
  <table class="sheet">
    <thead><tr><th></th><th>Spot</th><th>From the baseline</th><th>From the sideline</th></tr></thead>
    <tbody>
      {#each tape.marks as m, i (m.name)}
        <tr>
          <td class="numeral" class:set={m.screen}>{i + 1}</td>
          <td
            >{m.name}{#if m.screen}<span class="soft">: set it here</span>{/if}</td
          >
          <td class="numeral">{m.fromBaseline}</td>
          <td>
            {#if m.fromSideline}<span class="numeral">{m.fromSideline}</span>
              <span class="soft">{m.sideline}</span>
            {:else}<span class="soft">right across</span>{/if}
          </td>
        </tr>
      {/each}
    </tbody>
  </table>
</div>

<style>
  .both {
    display: grid;
    grid-template-columns: minmax(0, 1.2fr) minmax(22rem, 1fr);
    gap: 1.25rem;
    margin-top: 0.75rem;
    align-items: start;
  }
  .picture {
    aspect-ratio: 52 / 42;
    padding: 0.5rem;
  }
  .bar {
    stroke: var(--tape-orange);
    stroke-width: 0.8;
  }
  .set {
    border-left: 8px solid var(--tape-orange);
  }
  .x {
    stroke: var(--tape-blue);
    stroke-width: 0.4;
  }
  .across {
    stroke: var(--tape-teal);
    stroke-width: 0.2;
    stroke-dasharray: 0.8 0.6;
  }
  text {
    font-family: var(--font-numeral);
    font-weight: 600;
    font-size: 1.5px;
    fill: var(--ink);
  }
  table {
    border-collapse: collapse;
    width: 100%;
  }
  th {
    text-align: left;
    font-size: 0.9rem;
    font-weight: 400;
    color: var(--ink-soft);
  }
  th,
  td {
    padding: 0.15rem 0.6rem;
    border-top: 1px solid var(--seam);
  }
  td.numeral,
  td .numeral {
    font-size: 1.1rem;
  }
  @media (max-width: 900px) {
    .both {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
