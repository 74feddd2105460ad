<script lang="ts">
  import Checkbox from 'flowbite-svelte/Checkbox.svelte';
  import type { Player } from '$lib/api/client';
  import Button from '$lib/ui/Button.svelte';
  import Fold from '$lib/ui/Fold.svelte';

  // Who is on the floor tonight, one by one or guards at one basket and posts at the other.
  let { players, here = $bindable() }: { players: Player[]; here: Record<string, boolean> } = $props();

  const choose = (who: (p: Player) => boolean) =>
    (here = Object.fromEntries(players.map((p) => [p.id, who(p)])));
</script>

<Fold class="print:hidden"
  >{#snippet title()}<span
      ><b class="numeral">{players.filter((p) => here[p.id]).length}</b> of {players.length} players take part</span
    >{/snippet}
  <p class="links flex flex-wrap gap-2 my-3 mx-0">
    <Button onclick={() => choose(() => true)}>Everybody</Button>
    <Button onclick={() => choose((p) => !p.big)}>Guards and wings</Button>
    <Button onclick={() => choose((p) => p.big)}>Bigs</Button>
  </p>
  <div class="people grid grid-cols-[repeat(auto-fill,_minmax(9rem,_1fr))]">
    {#each players as p (p.id)}
      <Checkbox bind:checked={() => here[p.id] ?? false, (there) => (here[p.id] = there)}
        ><span class="numeral">{p.jersey}</span>
        {p.name}</Checkbox
      >
    {/each}
  </div>
</Fold>
