<script lang="ts">
  import Label from 'flowbite-svelte/Label.svelte';
  import Select from 'flowbite-svelte/Select.svelte';
  import type { OffenseLab } from './lab.svelte';

  // Where everybody starts: the outside spots, who is inside, and the ball.
  let { lab }: { lab: OffenseLab } = $props();

  const o = $derived(lab.offense);
  const fiveOut = ['cornerR', 'wingR', 'top', 'wingL', 'cornerL'];
  const fourOut = ['wingR', 'slotR', 'slotL', 'wingL'];
  const insides = ['blockR', 'blockL', 'highpost'];
  const name = (id: string) => lab.view.spots.find((s) => s.id === id)?.name ?? id;
  const items = (ids: string[]) => ids.map((value) => ({ value, name: name(value) }));
  const spots = $derived(items(lab.view.spots.map((s) => s.id).filter((id) => !insides.includes(id))));

  function shape(kind: string) {
    if (kind === 'five') lab.draft.edit({ ring: fiveOut, inside: undefined, post: undefined, ball: 'top' });
    else lab.draft.edit({ ring: fourOut, inside: o.inside ?? 'blockR', ball: 'slotR' });
  }
  function move(i: number, to: string) {
    const ring = o.ring.map((s, k) => (k === i ? to : s));
    lab.draft.edit({ ring, ball: o.ball === o.ring[i] ? to : o.ball });
  }
</script>

<div class="grid gap-3 sm:grid-cols-2">
  <Label>
    Shape
    <Select
      placeholder=""
      items={[
        { value: 'five', name: 'Five outside' },
        { value: 'four', name: 'Four outside, one inside' }
      ]}
      value={o.inside ? 'four' : 'five'}
      onchange={(e) => shape(e.currentTarget.value)}
    />
  </Label>
  <Label>
    The ball starts
    <Select
      placeholder=""
      items={items(o.ring)}
      value={o.ball}
      onchange={(e) => lab.draft.edit({ ball: e.currentTarget.value })}
    />
  </Label>
  {#each o.ring as spot, i (i)}
    <Label>
      Player {i + 1}
      <Select placeholder="" items={spots} value={spot} onchange={(e) => move(i, e.currentTarget.value)} />
    </Label>
  {/each}
  {#if o.inside}
    <Label>
      Player 5, inside
      <Select
        placeholder=""
        items={items(insides)}
        value={o.inside}
        onchange={(e) => lab.draft.edit({ inside: e.currentTarget.value })}
      />
    </Label>
  {/if}
</div>
