<script lang="ts">
  import Input from 'flowbite-svelte/Input.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import Select from 'flowbite-svelte/Select.svelte';
  import type { Schemas } from '$lib/api/client';
  import { session } from '$lib/state/session.svelte';

  // The team's floor: one of the known ones, or their own gym, measured.
  let { team = $bindable() }: { team: Schemas['Team'] } = $props();

  let custom = $derived(team.court.preset === 'custom');
  function choose(id: string) {
    const preset = session.catalogue?.courts.find((c) => c.id === id);
    team.court = preset ? { ...preset.court } : { ...team.court, preset: 'custom' };
  }

  const lengths = [
    ['width', 'Width'],
    ['halfLength', 'Half the length'],
    ['arcRadius', 'Three-point radius'],
    ['arcGap', 'Straight part to the sideline (0: computed)'],
    ['laneWidth', 'Lane width'],
    ['freeThrow', 'Free-throw line from the board'],
    ['board', 'Board from the baseline']
  ] as const;
</script>

<h2>Floor</h2>
<Label>
  <span>Court</span>
  <Select
    placeholder=""
    value={custom ? 'custom' : team.court.preset}
    onchange={(e) => choose(e.currentTarget.value)}
    disabled={!session.head}
  >
    {#each session.catalogue?.courts ?? [] as c (c.id)}<option value={c.id}>{c.name}</option>{/each}
    <option value="custom">Our own gym, measured</option>
  </Select>
</Label>
{#if custom}
  <div class="grid grid-cols-[1fr_1fr] gap-2">
    {#each lengths as [key, label] (key)}
      <Label><span>{label}, ft</span><Input type="number" step="any" bind:value={team.court[key]} /></Label>
    {/each}
  </div>
{:else}
  <p class="soft">{session.catalogue?.courts.find((c) => c.id === team.court.preset)?.source}</p>
{/if}
