<script lang="ts">
  import type { Player } from '$lib/api/client';
  import { session } from '$lib/state/session.svelte';

  // What the coach wants of the order: who is kept apart or together, and which
  // cues come more often.
  let {
    players,
    cues,
    apart = $bindable([]),
    together = $bindable([]),
    harder = $bindable([])
  }: {
    players: Player[];
    cues: string[];
    apart: string[][];
    together: string[][];
    harder: string[];
  } = $props();

  let one = $state('');
  let other = $state('');
  let how = $state<'apart' | 'together'>('apart');
  const name = (id: string | undefined) => players.find((p) => p.id === id)?.name ?? '';
  const ready = $derived(one !== '' && other !== '' && one !== other);

  function add() {
    if (!ready) return;
    if (how === 'apart') apart = [...apart, [one, other]];
    else together = [...together, [one, other]];
    one = other = '';
  }
</script>

<details class="no-print">
  <summary>Wishes: <b class="numeral">{apart.length + together.length + harder.length}</b></summary>
  <div class="row">
    <select aria-label="Keep" bind:value={how}>
      <option value="apart">Keep apart</option>
      <option value="together">Keep together</option>
    </select>
    <select aria-label="One player" bind:value={one}>
      <option value="">a player</option>
      {#each players as p (p.id)}<option value={p.id}>{p.jersey} {p.name}</option>{/each}
    </select>
    <select aria-label="Other player" bind:value={other}>
      <option value="">and a player</option>
      {#each players as p (p.id)}<option value={p.id}>{p.jersey} {p.name}</option>{/each}
    </select>
    <button class="tape plain" disabled={!ready} onclick={add}>Add the wish</button>
  </div>
  <ul class="quiet-list">
    {#each apart as w, i (w.join())}
      <li>
        {name(w[0])} and {name(w[1])} apart
        <button class="tape plain" onclick={() => (apart = apart.filter((_, k) => k !== i))}>Take back</button
        >
      </li>
    {/each}
    {#each together as w, i (w.join())}
      <li>
        {name(w[0])} and {name(w[1])} together
        <button class="tape plain" onclick={() => (together = together.filter((_, k) => k !== i))}
          >Take back</button
        >
      </li>
    {/each}
  </ul>
  {#if cues.length > 1}
    <div class="row" role="group" aria-label="Show twice as often">
      <span class="soft">Twice as often:</span>
      {#each cues as c (c)}
        <label
          ><input
            type="checkbox"
            checked={harder.includes(c)}
            onchange={(e) =>
              (harder = e.currentTarget.checked ? [...harder, c] : harder.filter((h) => h !== c))}
          />{session.cueName(c)}</label
        >
      {/each}
    </div>
  {/if}
</details>

<style>
  summary {
    min-height: 44px;
    cursor: pointer;
  }
  .row {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem 0.9rem;
    align-items: center;
    margin-bottom: 0.4rem;
  }
  select {
    min-height: 44px;
    border: 1px solid var(--line);
    background-color: var(--sheet);
    color: var(--ink);
    font: inherit;
  }
  label {
    display: flex;
    gap: 0.35rem;
    align-items: center;
    min-height: 40px;
  }
  li {
    display: flex;
    gap: 0.8rem;
    align-items: center;
  }
</style>
