<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import CueGlyph from '$lib/parts/CueGlyph.svelte';
  import { session } from '$lib/state/session.svelte';
  import { defense, offense } from './crew';

  // The order list rep by rep; on paper the coach's cues stand below the fold.
  let {
    order,
    own,
    stage,
    answers,
    at = $bindable(),
    jersey,
    name,
    dim
  }: {
    order: Schemas['Order'];
    own: Schemas['Position'][];
    stage: Schemas['Stage'];
    answers: Schemas['Row'][];
    at: number;
    jersey: (id: string) => string;
    name: (id: string) => string;
    /** The list is not yet that of the numbers above it. */
    dim: boolean;
  } = $props();

  const slot = $derived(order.reps[at]?.slot);
  const slotReps = $derived(order.reps.filter((r) => r.slot === slot));
</script>

{#if answers.length && stage.cues.length && !stage.defenders}
  <p class="fold">
    <span>Fold here. What the coach shows, and the answer:</span>
    {#each order.reps as r (r.no)}
      <span class="shown"
        ><b class="numeral">{r.no}</b>
        {session.cueName(r.cue).toLowerCase()}: {session.readName(
          r.answer ?? answers.find((a) => a.cue === r.cue)?.cutterRead ?? ''
        )}</span
      >
    {/each}
  </p>
{/if}
<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<div class="scroll" class:dim role="region" tabindex="0" aria-label="Order list, scrolls">
  <table aria-label="Order list">
    <thead>
      <tr
        ><th>Rep</th><th>End</th><th>Side</th>
        {#each own as p (p.id)}<th>{p.name}</th>{/each}
        {#if stage.defenders > 0}<th>Defend</th>{/if}
        {#if stage.cues.length && !stage.defenders}<th class="no-print"
            >{order.reps[0]?.answer ? 'Named' : 'Show'}</th
          >{/if}</tr
      >
    </thead>
    <tbody>
      {#each order.reps as r, i (r.no)}
        <tr class:now={slotReps.includes(r)} onclick={() => (at = i)}>
          <td class="numeral">{r.no}</td>
          <td class="numeral">{r.basket}</td>
          <td>{r.side}</td>
          {#each offense(r).slice(0, own.length) as id, k (k)}
            <td><b class="numeral">{jersey(id)}</b> {name(id)}</td>
          {/each}
          {#if stage.defenders > 0}
            <td>
              {#each defense(r) as id (id)}
                <span class="defender"
                  ><span class="numeral">{jersey(id)}</span>
                  <span class="on-screen">{name(id)}</span></span
                >
              {/each}
            </td>
          {/if}
          {#if stage.cues.length && !stage.defenders}
            <td class="no-print"
              ><span class="cue"
                ><CueGlyph cue={r.cue} size={24} />{session.cueName(r.cue)}{#if r.answer}: {session.readName(
                    r.answer
                  )}{/if}</span
              ></td
            >
          {/if}
        </tr>
      {/each}
    </tbody>
  </table>
</div>

<style>
  .defender {
    white-space: nowrap;
    margin-right: 0.6rem;
  }
  .fold {
    display: none;
  }
  .scroll {
    max-height: 22rem;
    overflow: auto;
    border-top: 2px solid var(--ink);
  }
  table {
    width: 100%;
    border-collapse: collapse;
  }
  th {
    position: sticky;
    top: 0;
    background: var(--sheet);
    text-align: left;
    font-size: 0.9rem;
    color: var(--ink-soft);
    padding: 0.4rem 0.5rem;
  }
  td {
    padding: 0.35rem 0.5rem;
    border-top: 1px solid var(--seam);
  }
  tr.now td {
    background: color-mix(in srgb, var(--mark) 28%, transparent);
  }
  .cue {
    display: inline-flex;
    align-items: center;
    gap: 0.3rem;
  }
  .dim {
    opacity: 0.5;
  }
  @media print {
    .fold {
      display: flex;
      flex-wrap: wrap;
      gap: 0 0.6rem;
      order: 9;
      border-top: 1px dashed var(--ink);
      padding-top: 0.3rem;
      font-size: 7.5pt;
    }
    .shown {
      white-space: nowrap;
    }
    .scroll {
      max-height: none;
      overflow: visible;
    }
    table {
      font-size: 8pt;
    }
    td,
    th {
      padding: 0 0.3rem;
      line-height: 1.25;
    }
    .now {
      background: none;
    }
    .on-screen {
      display: none;
    }
  }
</style>
