<script lang="ts">
  import Panel from '$lib/parts/Panel.svelte';
  import type { Floor } from './floor.svelte';
  import Button from '$lib/ui/Button.svelte';

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
  <div class="grid grid-cols-[repeat(auto-fill,_minmax(9.5rem,_1fr))] gap-2 mt-3">
    {#each here as p (p.id)}
      <Button class="justify-start" onclick={() => pick(p.id)}>
        <b class="numeral text-2xl">{p.jersey}</b>{p.name}
      </Button>
    {/each}
  </div>
</Panel>
