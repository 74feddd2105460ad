<script lang="ts">
  import Label from 'flowbite-svelte/Label.svelte';
  import Select from 'flowbite-svelte/Select.svelte';
  import type { Schemas } from '$lib/api/client';
  import { session } from '$lib/state/session.svelte';

  // What the team does where coaches answer a coverage in more than one way.
  let { team = $bindable() }: { team: Schemas['Team'] } = $props();

  const choices = [
    [
      'fadeToCorner',
      'When the defender goes under',
      'Stop behind the screener and shoot; the screener re-screens',
      'Fade to the corner and use the re-screen there'
    ],
    ['flareFirst', 'When the defender jumps the screen', 'Back cut first', 'Flare out first'],
    [
      'shootFirst',
      'When the guard goes under a ball screen',
      'Use it again, lower',
      'Stop behind the screen and shoot'
    ]
  ] as const;
</script>

<h2>Our way of screening</h2>
{#each choices as [key, when, no, yes] (key)}
  <Label>
    <span>{when}</span>
    <Select placeholder="" bind:value={team.teamRules[key]} disabled={!session.head}>
      <option value={false}>{no}</option>
      <option value={true}>{yes}</option>
    </Select>
  </Label>
{/each}
