<script lang="ts">
  import { session } from '$lib/state/session.svelte';
  import type { Floor, Presence } from './floor.svelte';

  // Who is on the floor: late arrivals, who leaves, who is limited or hurt.
  let { floor }: { floor: Floor } = $props();

  const states: { id: Presence; name: string }[] = [
    { id: 'here', name: 'Here' },
    { id: 'limited', name: 'No live reps' },
    { id: 'left', name: 'Left' },
    { id: 'hurt', name: 'Hurt' }
  ];
  const people = $derived([...floor.players.values()]);
  const hurt = $derived(people.filter((p) => floor.presence.get(p.id) === 'hurt'));
</script>

{#if hurt.length > 0}
  <p role="alert" class="caution">
    <b>{hurt.map((p) => p.name).join(', ')}:</b>
    {session.catalogue?.hurtCaution}
  </p>
{/if}
<ul class="quiet-list">
  {#each people as p (p.id)}
    {@const is = floor.presence.get(p.id)}
    <li>
      <b class="numeral">{p.jersey}</b>
      <span class:soft={!is}>{p.name}</span>
      <div role="radiogroup" aria-label={p.name}>
        {#each states as s (s.id)}
          <button
            class="tape plain"
            role="radio"
            aria-checked={is === s.id}
            onclick={() => floor.setPresence(p.id, s.id)}
            >{s.id === 'here' && !is ? 'Arrives' : s.name}</button
          >
        {/each}
      </div>
    </li>
  {/each}
</ul>

<style>
  .caution {
    border-left: 8px solid var(--alarm);
    padding: 0.4rem 0.9rem;
    margin-bottom: 0.8rem;
    line-height: 1.3;
  }
  li {
    display: grid;
    grid-template-columns: 2.6rem minmax(5rem, 1fr) auto;
    align-items: center;
    gap: 0.6rem;
    padding: 0.25rem 0;
    border-bottom: 1px solid var(--seam);
  }
  li .numeral {
    font-size: 1.7rem;
  }
  li > div {
    display: flex;
  }
  .tape {
    padding: 0 0.8rem;
    font-weight: 400;
    border-radius: 0;
    margin-left: -2px;
    white-space: nowrap;
  }
  @media (max-width: 700px) {
    li {
      grid-template-columns: 2.6rem 1fr;
    }
    li > div {
      grid-column: 1 / -1;
    }
    .tape {
      flex: 1;
      padding: 0 0.3rem;
    }
  }
</style>
