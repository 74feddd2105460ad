<script lang="ts">
  import Checkbox from 'flowbite-svelte/Checkbox.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import Select from 'flowbite-svelte/Select.svelte';
  import Toggle from 'flowbite-svelte/Toggle.svelte';
  import type { Offense, OffenseLab } from './lab.svelte';

  // How the offense is played: its choices, who its bigs are, what it does against a zone,
  // and the rules its players keep.
  let { lab }: { lab: OffenseLab } = $props();

  const o = $derived(lab.offense);
  const five = [1, 2, 3, 4, 5];
  const mostBigs = 2;
  const zone = [
    ['swing', 'Move the ball on at once'],
    ['gaps', 'Cutters stop in the gaps'],
    ['flash', 'Somebody flashes from behind']
  ] as const;
  const rules = [
    ['noStanding', 'Nobody stands after a pass'],
    ['noThird', 'Never three inside the arc'],
    ['filled', 'Fill the empty spot'],
    ['apart', 'Twelve feet between neighbors'],
    ['behind', 'Off the line'],
    ['reactsToDrive', 'Move on a drive'],
    ['threeSeconds', 'Three seconds in the lane']
  ] as const;
  const options = $derived(lab.view.options.filter((x) => x.id !== 'post' || o.inside));
  const value = (id: string) => (o[id as keyof Offense] as string | undefined) ?? '';
  const choose = (id: string, to: string) => lab.draft.edit({ [id]: to || undefined });
  function big(n: number) {
    const bigs = o.bigs ?? [];
    lab.draft.edit({ bigs: bigs.includes(n) ? bigs.filter((b) => b !== n) : [...bigs, n].slice(-mostBigs) });
  }
</script>

<div class="grid gap-3 sm:grid-cols-2">
  {#each options as x (x.id)}
    <Label>
      {x.name}
      <Select
        placeholder=""
        items={x.values.map((v) => ({ value: v.id, name: v.name }))}
        value={value(x.id)}
        onchange={(e) => choose(x.id, e.currentTarget.value)}
      />
    </Label>
  {/each}
</div>
{#if o.bigRule}
  <fieldset class="mt-3 flex flex-wrap items-center gap-x-4">
    <legend class="mb-1">Who the bigs are</legend>
    {#each five as n (n)}
      <Checkbox class="min-h-11 text-base" checked={o.bigs?.includes(n) ?? false} onchange={() => big(n)}
        >Player {n}</Checkbox
      >
    {/each}
  </fieldset>
{/if}
<div class="mt-4 grid gap-x-6 gap-y-1 sm:grid-cols-2">
  <fieldset>
    <legend class="mb-1 font-bold">Against a zone</legend>
    {#each zone as [id, name] (id)}
      <Toggle
        class="min-h-11 text-base"
        checked={o.zone[id]}
        onchange={() => lab.draft.edit({ zone: { ...o.zone, [id]: !o.zone[id] } })}>{name}</Toggle
      >
    {/each}
  </fieldset>
  <fieldset>
    <legend class="mb-1 font-bold">Rules we hold to</legend>
    {#each rules as [id, name] (id)}
      <Toggle
        class="min-h-11 text-base"
        checked={o.rules[id]}
        onchange={() => lab.draft.edit({ rules: { ...o.rules, [id]: !o.rules[id] } })}>{name}</Toggle
      >
    {/each}
  </fieldset>
</div>
