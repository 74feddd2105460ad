<script lang="ts">
  import Checkbox from 'flowbite-svelte/Checkbox.svelte';
  import Input from 'flowbite-svelte/Input.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import type { Schemas } from '$lib/api/client';
  import { session } from '$lib/state/session.svelte';

  // How fast players and passes are.
  let { team = $bindable() }: { team: Schemas['Team'] } = $props();

  const speeds = [
    ['top', 'Top speed, ft/s'],
    ['accel', 'Acceleration, ft/s²'],
    ['react', 'Reaction, s'],
    ['pass', 'Chest or bounce pass, ft/s'],
    ['skip', 'Pass over a head, ft/s']
  ] as const;
</script>

<h2>How fast they move</h2>
<Checkbox bind:checked={team.ownPace} disabled={!session.head}
  >Our own figures, not those of the age group</Checkbox
>
<p class="soft">
  They decide who comes open, and by how much. All are assumptions until somebody takes the time.
</p>
<div class="grid grid-cols-[1fr_1fr] gap-2">
  {#each speeds as [key, label] (key)}
    <Label
      ><span>{label}</span><Input
        type="number"
        step="any"
        bind:value={team.pace[key]}
        disabled={!session.head || !team.ownPace}
      /></Label
    >
  {/each}
</div>
