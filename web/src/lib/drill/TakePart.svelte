<script lang="ts">
  import type { Player } from '$lib/api/client';

  // Who is on the floor tonight, one by one or guards at one end and posts at the other.
  let { players, here = $bindable() }: { players: Player[]; here: Record<string, boolean> } = $props();

  const choose = (who: (p: Player) => boolean) =>
    (here = Object.fromEntries(players.map((p) => [p.id, who(p)])));
</script>

<details class="no-print">
  <summary
    ><b class="numeral">{players.filter((p) => here[p.id]).length}</b> of {players.length} players take part</summary
  >
  <p class="links">
    <button class="tape plain" onclick={() => choose(() => true)}>Everybody</button>
    <button class="tape plain" onclick={() => choose((p) => !p.big)}>Guards and wings</button>
    <button class="tape plain" onclick={() => choose((p) => p.big)}>Bigs</button>
  </p>
  <div class="people">
    {#each players as p (p.id)}
      <label class="check"
        ><input type="checkbox" bind:checked={here[p.id]} /><span class="numeral">{p.jersey}</span>
        {p.name}</label
      >
    {/each}
  </div>
</details>

<style>
  summary {
    min-height: 44px;
    cursor: pointer;
  }
  .links {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem;
    margin: 0.75rem 0;
  }
  .people {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(9rem, 1fr));
  }
</style>
