<script lang="ts">
  import Input from 'flowbite-svelte/Input.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import Select from 'flowbite-svelte/Select.svelte';
  import { session } from '$lib/state/session.svelte';
  import Textarea from '$lib/ui/Textarea.svelte';
  import type { Draft } from './draft.svelte';

  // What a drill is called, what it teaches and how players move on.
  let { draft, onaction }: { draft: Draft; onaction: (id: string) => void } = $props();

  const d = $derived(draft.drill);
  const rules = [
    ['off-def-line', 'Offense, defense, line'],
    ['follow', 'Lines: move to the next one'],
    ['fixed-pairs', 'Fixed pairs swap places'],
    ['swap-ends', 'Offense, defense, line; change sides half way'],
    ['stations', 'Groups at baskets, move on half way'],
    ['winners-stay', 'Winners stay']
  ];
</script>

<Label
  ><span>Name</span><Input
    value={d.name}
    maxlength={60}
    onchange={(e) => draft.change({ name: e.currentTarget.value })}
  /></Label
>
<Label
  ><span>What it is</span><Textarea
    rows={3}
    value={d.about}
    onchange={(e) => draft.change({ about: e.currentTarget.value })}
  /></Label
>
<div class="grid grid-cols-[1fr_1fr] gap-3 max-md:grid-cols-[minmax(0,_1fr)]">
  <Label>
    <span>Teaches the reads of</span>
    <Select placeholder="" value={d.action ?? ''} onchange={(e) => onaction(e.currentTarget.value)}>
      <option value="">no action</option>
      {#each session.catalogue?.actions ?? [] as s (s.id)}<option value={s.id}>{s.name}</option>{/each}
    </Select>
  </Label>
  <Label>
    <span>How players move on</span>
    <Select
      placeholder=""
      value={d.rotation.rule}
      onchange={(e) =>
        draft.change({
          rotation: { rule: e.currentTarget.value as typeof d.rotation.rule, say: d.rotation.say }
        })}
    >
      {#each rules as [id, name] (id)}<option value={id}>{name}</option>{/each}
    </Select>
  </Label>
</div>
<Label
  ><span>Said to the players</span><Input
    value={d.rotation.say}
    maxlength={200}
    onchange={(e) => draft.change({ rotation: { rule: d.rotation.rule, say: e.currentTarget.value } })}
  /></Label
>
