<script lang="ts">
  import { session } from '$lib/state/session.svelte';
  import { outcomes } from '$lib/run/words';
  import type { BenchLog } from './bench.svelte';

  // What was noted last, how it ended, and what is counted for the team.
  let { log }: { log: BenchLog } = $props();

  const last = $derived(log.log.at(-1));
  const who = (id: string) => log.bench?.players.find((p) => p.id === id);
</script>

<footer>
  <div class="last" role="status">
    {#if last}
      <span class="numeral">{who(last.player)?.jersey}</span>
      <span
        >{who(last.player)?.name}: {session.cueName(last.cue).toLowerCase()},
        {last.correct
          ? session.readName(last.expected).toLowerCase()
          : `did not ${session.readName(last.expected).toLowerCase()}`}</span
      >
      <span class="mark" class:wrong={!last.correct} aria-hidden="true">{last.correct ? '✓' : '✕'}</span>
    {:else}<span class="soft">Tap what they showed, then who it was.</span>{/if}
  </div>
  {#if last}
    <div class="ends" role="group" aria-label="How it ended">
      {#if log.mine(last)}
        {#each outcomes as o (o.id)}
          <button class="tape plain" aria-pressed={last.outcome === o.id} onclick={() => log.end(last, o.id)}
            >{o.name}</button
          >
        {/each}
      {/if}
      <button class="tape plain" onclick={() => log.undo()}>Undo</button>
    </div>
  {/if}
  <div class="counts" role="group" aria-label="Counted for the team">
    {#each log.counts as c (c.id)}
      <span class="counter">
        <button class="add" onclick={() => log.count(c.id, 1)}
          ><b class="numeral">{c.count}</b> {c.name}</button
        >
        <button
          class="less"
          aria-label={`One less: ${c.name}`}
          disabled={c.count <= 0}
          onclick={() => log.count(c.id, -1)}>−</button
        >
      </span>
    {/each}
  </div>
</footer>

<style>
  footer {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 0.4rem 1rem;
    align-items: center;
    padding: 0.5rem 1.25rem 0.7rem;
    background: var(--sheet);
    border-top: 1px solid var(--seam);
  }
  .last {
    display: flex;
    align-items: center;
    gap: 0.7rem;
    min-height: 48px;
  }
  .last .numeral {
    font-size: 1.8rem;
  }
  .mark {
    color: var(--tape-green);
    font-weight: 700;
    font-size: 1.3rem;
  }
  .mark.wrong {
    color: var(--tape-orange);
  }
  .ends {
    display: flex;
    gap: 0.4rem;
    flex-wrap: wrap;
  }
  .ends .tape {
    padding: 0 0.9rem;
    font-weight: 400;
    min-height: 52px;
  }
  .counts {
    grid-column: 1 / -1;
    display: grid;
    grid-template-columns: repeat(4, minmax(0, 1fr));
    gap: 0.5rem;
  }
  .counter {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 52px;
  }
  .counter button {
    min-height: 64px;
    border: 2px solid var(--line);
    background: transparent;
    color: inherit;
    font: inherit;
    cursor: pointer;
    line-height: 1.1;
  }
  .counter .less {
    border-left: 0;
    font-size: 1.4rem;
  }
  .counter .numeral {
    font-size: 1.7rem;
    margin-right: 0.3rem;
  }
  .less:disabled {
    color: var(--line);
  }
  @media (max-width: 760px) {
    footer {
      grid-template-columns: minmax(0, 1fr);
      padding: 0.5rem 0.75rem;
    }
    .counts {
      grid-template-columns: repeat(2, minmax(0, 1fr));
    }
  }
</style>
