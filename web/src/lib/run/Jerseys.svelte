<script lang="ts">
  import Panel from '$lib/parts/Panel.svelte';
  import type { Floor } from './floor.svelte';

  // Whoever went out of order: a jersey, and the next tap is that player's rep.
  let { open = $bindable(false), floor }: { open: boolean; floor: Floor } = $props();

  const up = $derived(new Set(floor.line.current?.order?.counts.map((c) => c.player) ?? []));
  const here = $derived([...floor.players.values()].filter((p) => up.has(p.id)));

  function pick(id: string) {
    floor.rota.pick(id);
    open = false;
  }
</script>

<Panel bind:open title="Who went instead?">
  <p class="soft">Logs that player's next rep; then the order goes on where it was.</p>
  <div class="jerseys">
    {#each here as p (p.id)}
      <button class="tape plain" onclick={() => pick(p.id)}>
        <b class="numeral">{p.jersey}</b>{p.name}
      </button>
    {/each}
  </div>
</Panel>

<style>
  .jerseys {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(9.5rem, 1fr));
    gap: 0.6rem;
    margin-top: 0.8rem;
  }
  .numeral {
    font-size: 2.2rem;
  }
  .tape {
    justify-content: flex-start;
  }
</style>
