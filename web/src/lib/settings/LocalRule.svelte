<script lang="ts">
  import Input from 'flowbite-svelte/Input.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import type { Schemas } from '$lib/api/client';
  import { session } from '$lib/state/session.svelte';

  // What the league or the school says, which goes before the guideline of the age.
  let { team = $bindable() }: { team: Schemas['Team'] } = $props();

  const rules = [
    ['maxMinutes', 'Longest practice, min', 'maxMinutes'],
    ['maxPerWeek', 'Practices a week, at most', 'maxPerWeek'],
    ['maxHours', 'Hours a week, at most', 'maxHours'],
    ['restDays', 'Rest days a week, at least', 'restDays']
  ] as const;
  const guideline = $derived(session.catalogue?.ages.find((a) => a.band === team.ages));
</script>

<h2>Local rule</h2>
<p class="soft">
  What your federation, league or school says goes before the guideline{guideline
    ? ` (${guideline.source})`
    : ''}. An empty field leaves the guideline's figure.
</p>
<div class="grid grid-cols-[1fr_1fr] gap-2">
  {#each rules as [key, label, of] (key)}
    <Label
      ><span>{label}</span><Input
        type="number"
        min="0"
        placeholder={guideline ? String(guideline[of]) : ''}
        value={team.localRule[key] || ''}
        onchange={(e) => (team.localRule[key] = Number(e.currentTarget.value))}
        disabled={!session.head}
      /></Label
    >
  {/each}
</div>
