<script lang="ts">
  import { goto } from '$app/navigation';
  import Input from 'flowbite-svelte/Input.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import Select from 'flowbite-svelte/Select.svelte';
  import { session } from '$lib/state/session.svelte';
  import { addressOf, partNames, periods, type Filters } from './board';

  // What the board is about, and in which order. It stands in the address, so that it can be
  // sent and found again.
  let { filters }: { filters: Filters } = $props();

  const option = (value: string, name: string) => ({ value, name });
  const choices = $derived([
    { id: 'part', name: 'Part', items: Object.entries(partNames).map(([id, name]) => option(id, name)) },
    {
      id: 'rung',
      name: 'Rung',
      items: [
        option('', 'All rungs'),
        ...(session.catalogue?.ladder ?? [])
          .filter((r) => r.reads)
          .map((r) => option(r.id, `${r.number} ${r.name}`))
      ]
    },
    {
      id: 'side',
      name: 'Side',
      items: [option('', 'Both sides'), option('right', 'Right'), option('left', 'Left')]
    },
    { id: 'period', name: 'Period', items: periods.map((p) => option(p.id, p.name)) },
    {
      id: 'order',
      name: 'Order',
      items: [option('book', 'As in the book'), option('need', 'What holds us back')]
    }
  ] as const);

  // What was chosen last counts, also before the address says so.
  let wanted = $derived(filters);
  function choose(id: keyof Filters, value: string) {
    wanted = { ...wanted, [id]: value };
    void goto(addressOf(wanted), { keepFocus: true, noScroll: true, replaceState: true });
  }
  const box = 'min-w-36 max-w-56 flex-1';
</script>

<div
  class="no-print mb-3 flex gap-2 overflow-x-auto pb-1 sm:flex-wrap"
  role="group"
  aria-label="What the board shows"
>
  {#each choices as c (c.id)}
    <Label class={box}>
      {c.name}
      <Select
        items={[...c.items]}
        value={wanted[c.id]}
        placeholder=""
        onchange={(e) => choose(c.id, (e.currentTarget as HTMLSelectElement).value)}
      />
    </Label>
    {#if c.id === 'period' && wanted.period === 'own'}
      <Label class={box}>
        From
        <Input
          type="date"
          value={wanted.from}
          onchange={(e) => choose('from', (e.currentTarget as HTMLInputElement).value)}
        />
      </Label>
      <Label class={box}>
        Until
        <Input
          type="date"
          value={wanted.until}
          onchange={(e) => choose('until', (e.currentTarget as HTMLInputElement).value)}
        />
      </Label>
    {/if}
  {/each}
</div>
