<script lang="ts">
  import type { Player, Schemas } from '$lib/api/client';

  type Terms = Schemas['GameTerms'];

  // Available players, for how long, and who belongs together.
  let { players, terms, onchange }: { players: Player[]; terms: Terms; onchange: (t: Terms) => void } =
    $props();

  let one = $state('');
  let two = $state('');

  const cap = (id: string) => terms.caps.find((c) => c.player === id)?.minutes;
  const name = (id: string) => players.find((p) => p.id === id)?.name ?? '?';
  const toggle = (id: string) =>
    onchange({
      ...terms,
      available: terms.available.includes(id)
        ? terms.available.filter((a) => a !== id)
        : [...terms.available, id]
    });

  function limit(id: string, text: string) {
    const caps = terms.caps.filter((c) => c.player !== id);
    const minutes = Math.round(Number(text));
    if (text !== '' && minutes >= 0) caps.push({ player: id, minutes });
    onchange({ ...terms, caps });
  }

  function pair() {
    if (one && two && one !== two) onchange({ ...terms, together: [...terms.together, [one, two]] });
    one = two = '';
  }
</script>

<section class="sheet" aria-label="Available players">
  <div class="head">
    <h2>Available players</h2>
    <label
      ><span class="soft">Minutes of the game</span>
      <input
        class="cell numeral"
        type="number"
        min="4"
        max="60"
        value={terms.minutes}
        onchange={(e) => onchange({ ...terms, minutes: Number(e.currentTarget.value) })}
      /></label
    >
  </div>
  <ul class="quiet-list">
    {#each players as p (p.id)}
      {@const here = terms.available.includes(p.id)}
      <li class:away={!here}>
        <button class="who" aria-pressed={here} onclick={() => toggle(p.id)}>
          <span class="numeral">{p.jersey}</span>{p.name}
        </button>
        <input
          class="cell numeral"
          type="number"
          min="0"
          max="60"
          placeholder="–"
          disabled={!here}
          value={cap(p.id) ?? ''}
          aria-label={`Most minutes of ${p.name}`}
          onchange={(e) => limit(p.id, e.currentTarget.value)}
        />
      </li>
    {/each}
  </ul>
  <p class="soft note">The number is the most minutes a player may have; empty is no limit.</p>
  <div class="together">
    <select class="cell" bind:value={one} aria-label="Together, one"
      ><option value="">These two</option>{#each players as p (p.id)}<option value={p.id}>{p.name}</option
        >{/each}</select
    >
    <select class="cell" bind:value={two} aria-label="Together, the other"
      ><option value="">together</option>{#each players as p (p.id)}<option value={p.id}>{p.name}</option
        >{/each}</select
    >
    <button class="tape plain" disabled={!one || !two || one === two} onclick={pair}>Keep together</button>
  </div>
  {#each terms.together as group, i (group.join())}
    <p class="group">
      <span>{group.map(name).join(' and ')} together</span>
      <button
        class="tape plain"
        onclick={() => onchange({ ...terms, together: terms.together.filter((_, k) => k !== i) })}
        >Let go</button
      >
    </p>
  {/each}
</section>

<style>
  section {
    padding: 0.8rem 1rem;
    min-width: 0;
  }
  .head {
    display: flex;
    justify-content: space-between;
    gap: 1rem;
    flex-wrap: wrap;
    align-items: center;
  }
  .head label {
    display: flex;
    gap: 0.6rem;
    align-items: center;
  }
  .head input {
    width: 4.6rem;
  }
  ul {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(13.5rem, 1fr));
    gap: 0.35rem 1rem;
    margin-top: 0.5rem;
  }
  li {
    display: grid;
    grid-template-columns: 1fr 4.4rem;
    gap: 0.4rem;
  }
  .who {
    display: flex;
    align-items: center;
    gap: 0.6rem;
    min-height: 48px;
    padding: 0 0.5rem;
    border: 0;
    border-left: 6px solid var(--mark);
    background: transparent;
    font: inherit;
    font-weight: 700;
    color: inherit;
    cursor: pointer;
    text-align: left;
  }
  .who .numeral {
    font-size: 1.5rem;
    min-width: 1.8rem;
    text-align: right;
  }
  .away .who {
    border-left-color: transparent;
    color: var(--ink-soft);
    font-weight: 400;
    text-decoration: line-through;
  }
  .note {
    font-size: 0.9rem;
    margin: 0.4rem 0;
  }
  .together {
    display: grid;
    grid-template-columns: 1fr 1fr auto;
    gap: 0.5rem;
  }
  .group {
    display: flex;
    justify-content: space-between;
    align-items: center;
    margin-top: 0.4rem;
  }
</style>
