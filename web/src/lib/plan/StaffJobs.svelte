<script lang="ts">
  import { onMount } from 'svelte';
  import Input from 'flowbite-svelte/Input.svelte';
  import Select from 'flowbite-svelte/Select.svelte';
  import { api, ask, type Schemas } from '$lib/api/client';
  import { session } from '$lib/state/session.svelte';
  import { dutiesOf } from '$lib/parts/duties';
  import Button from '$lib/ui/Button.svelte';
  import Fold from '$lib/ui/Fold.svelte';

  // Who does what in a block: coaches by name, and whoever helps.
  let { block, onchange }: { block: Schemas['Block']; onchange: (staff: Duty[]) => void } = $props();

  type Duty = NonNullable<Schemas['Block']['staff']>[number];
  let names = $state.raw<string[]>([]);
  onMount(async () => {
    if (!session.coach) return; // a viewer changes nothing
    // Names can be typed all the same.
    names = (await ask(api.GET('/api/staff')).catch(() => [])).map((p) => p.name);
  });

  const staff = $derived(block.staff ?? []);
  const jobs = $derived((session.catalogue?.jobs ?? []).map((j) => ({ value: j.id, name: j.name })));
  const baskets = $derived([
    { value: 0, name: 'anywhere' },
    ...Array.from({ length: block.baskets > 1 ? block.baskets : 0 }, (_, i) => ({
      value: i + 1,
      name: `basket ${i + 1}`
    }))
  ]);
  const said = $derived(dutiesOf(staff).map((d) => `${d.who} ${d.does}`));
  const cell = 'min-h-12 rounded-sm border-(--line) bg-(--sheet) text-base text-(--ink)';

  const change = (i: number, to: Partial<Duty>) =>
    onchange(staff.map((d, k) => (k === i ? { ...d, ...to } : d)));
  function add() {
    const used = new Set(staff.map((d) => d.job));
    const free = jobs.find((j) => !used.has(j.value)) ?? jobs[0];
    if (free) onchange([...staff, { who: session.view?.me?.name ?? names[0] ?? '', job: free.value }]);
  }
</script>

<Fold class="mt-2"
  >{#snippet title()}<span>Who does what: {said.length ? said.join('; ') : 'nobody is named'}</span>{/snippet}
  <datalist id="staff-names"
    >{#each names as n (n)}<option value={n}></option>{/each}</datalist
  >
  <ul class="quiet-list my-2 grid gap-2">
    {#each staff as d, i (i)}
      <li class="grid grid-cols-[minmax(6rem,1fr)_minmax(7rem,1fr)_minmax(0,8.5rem)_auto] items-center gap-2">
        <Input
          class={cell}
          aria-label={`Name, job ${i + 1}`}
          list="staff-names"
          maxlength={60}
          value={d.who}
          onchange={(e: Event) => change(i, { who: (e.currentTarget as HTMLInputElement).value })}
        />
        <Select
          classes={{ select: `${cell} pr-9` }}
          aria-label={`Job ${i + 1}`}
          placeholder=""
          items={jobs}
          value={d.job}
          onchange={(e: Event) => change(i, { job: (e.currentTarget as HTMLSelectElement).value })}
        />
        {#if block.baskets > 1}
          <Select
            classes={{ select: `${cell} pr-9` }}
            aria-label={`Where, job ${i + 1}`}
            placeholder=""
            items={baskets}
            value={d.basket ?? 0}
            onchange={(e: Event) =>
              change(i, { basket: Number((e.currentTarget as HTMLSelectElement).value) })}
          />
        {:else}<span></span>{/if}
        <Button
          class="px-3!"
          aria-label={`Take job ${i + 1} out`}
          onclick={() => onchange(staff.filter((_, k) => k !== i))}>Remove</Button
        >
      </li>
    {/each}
  </ul>
  {#if staff.length < 12}<Button onclick={add}>Add a job</Button>{/if}
</Fold>
