<script lang="ts">
  import { session } from '$lib/state/session.svelte';
  import type { Draft } from './draft.svelte';

  // Who is on the floor in a rep, and where it starts.
  let { draft }: { draft: Draft } = $props();

  const positions = $derived(draft.drill.positions);
  type Position = (typeof positions)[number];

  const change = (i: number, next: Partial<Position>) =>
    draft.change({ positions: positions.map((p, k) => (k === i ? { ...p, ...next } : p)) });

  function add() {
    const n = positions.length + 1;
    const free = session.catalogue?.spots.find(
      (s) => s.id !== 'rim' && !positions.some((p) => p.spot === s.id)
    );
    draft.change({
      positions: [
        ...positions,
        { id: `player-${n}`, name: `Player ${n}`, letter: String(n), spot: free?.id ?? 'top' }
      ]
    });
  }

  /** Nobody does anything who is not there: their acts go with them. */
  function remove(i: number) {
    const id = positions[i]?.id;
    draft.change({
      positions: positions.filter((_, k) => k !== i),
      phases: draft.drill.phases.map((ph) => ({
        ...ph,
        acts: ph.acts.filter((a) => a.who !== id && a.to !== id && a.for !== id)
      }))
    });
  }

  const hold = (i: number) => draft.change({ positions: positions.map((p, k) => ({ ...p, ball: k === i })) });
</script>

<fieldset>
  <legend>Positions</legend>
  <ul class="quiet-list">
    {#each positions as p, i (p.id)}
      <li>
        <input
          aria-label="Name"
          value={p.name}
          maxlength="24"
          onchange={(e) => change(i, { name: e.currentTarget.value })}
        />
        <input
          aria-label="Letter"
          class="letter"
          value={p.letter}
          maxlength="2"
          onchange={(e) => change(i, { letter: e.currentTarget.value })}
        />
        <select
          aria-label="Starts at"
          value={p.spot}
          onchange={(e) => change(i, { spot: e.currentTarget.value })}
        >
          {#each session.catalogue?.spots ?? [] as s (s.id)}
            {#if s.id !== 'rim'}<option value={s.id}>{s.name}</option>{/if}
          {/each}
        </select>
        <label
          ><input type="radio" name="ball" checked={p.ball ?? false} onchange={() => hold(i)} />ball</label
        >
        <label
          ><input
            type="checkbox"
            checked={p.helper ?? false}
            onchange={(e) => change(i, { helper: e.currentTarget.checked })}
          />helper</label
        >
        <button class="tape plain" aria-label={`Remove ${p.name}`} onclick={() => remove(i)}>Remove</button>
      </li>
    {/each}
  </ul>
  <button class="tape plain" onclick={add}>Add a position</button>
</fieldset>

<style>
  li {
    display: grid;
    grid-template-columns: 1.2fr 3.2rem 1.2fr auto auto auto;
    gap: 0.5rem;
    align-items: center;
    margin-bottom: 0.4rem;
  }
  .letter {
    text-align: center;
  }
  label {
    display: flex;
    gap: 0.35rem;
    align-items: center;
  }
  @media (max-width: 700px) {
    li {
      grid-template-columns: 1fr 3.2rem 1fr;
    }
  }
</style>
