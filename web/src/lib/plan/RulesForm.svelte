<script lang="ts">
  import Checkbox from 'flowbite-svelte/Checkbox.svelte';
  import Input from 'flowbite-svelte/Input.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import type { Schemas } from '$lib/api/client';
  import type { Draft } from './draft.svelte';
  import Button from '$lib/ui/Button.svelte';
  import Fold from '$lib/ui/Fold.svelte';

  // The coach's own rules for this practice; without any those of the players' age hold.
  let { draft, inForce }: { draft: Draft; inForce: Schemas['PlanRules'] } = $props();

  const rules = $derived(draft.input.terms.rules ?? inForce);
  const set = (next: Partial<Schemas['PlanRules']>) => draft.setTerms({ rules: { ...rules, ...next } });

  const numbers = [
    ['warmUp', 'Warm-up at least, min', 30],
    ['live', 'Live once half hold it guided, %', 100],
    ['liveEarly', 'Live before that, %', 100],
    ['waiting', 'Time in line at most, %', 100],
    ['nights', 'Same drill, practices in a row', 10],
    ['water', 'Water at least every, min', 60],
    ['hardInARow', 'Hard blocks in a row', 10]
  ] as const;
  const switches = [
    ['teachEarly', 'New teaching in the first half'],
    ['ladder', 'Guided before live'],
    ['endLive', 'End with live play'],
    ['baskets', 'Use every basket']
  ] as const;
</script>

<Fold line="font-bold"
  >{#snippet title()}<span>Rules for this practice</span>{/snippet}
  <p class="soft">A 0 turns a rule off.</p>
  <div class="mt-2 grid grid-cols-2 gap-3 sm:grid-cols-3">
    {#each numbers as [key, name, most] (key)}
      <Label>
        {name}
        <Input
          type="number"
          min="0"
          max={most}
          value={rules[key]}
          onchange={(e) => set({ [key]: Math.round(Number((e.currentTarget as HTMLInputElement).value)) })}
        />
      </Label>
    {/each}
  </div>
  <div class="mt-3 flex flex-wrap gap-x-6 gap-y-2">
    {#each switches as [key, name] (key)}
      <Checkbox checked={rules[key]} onchange={() => set({ [key]: !rules[key] })}>{name}</Checkbox>
    {/each}
  </div>
  {#if draft.input.terms.rules}
    <Button class="mt-3" onclick={() => draft.setTerms({ rules: undefined })}>Back to the usual rules</Button>
  {/if}
</Fold>
