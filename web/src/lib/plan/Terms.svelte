<script lang="ts">
  import Input from 'flowbite-svelte/Input.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import Select from 'flowbite-svelte/Select.svelte';
  import { session } from '$lib/state/session.svelte';
  import type { Draft } from './draft.svelte';
  import RulesForm from './RulesForm.svelte';
  import Button from '$lib/ui/Button.svelte';

  // What the practice has to work with, and what it is for.
  let { draft }: { draft: Draft } = $props();

  const t = $derived(draft.input.terms);
  const has = [
    ['baskets', 'Baskets', 1, 6],
    ['helpers', 'Coaches and helpers', 0, 12],
    ['balls', 'Balls', 1, 60]
  ] as const;

  const cues = $derived(session.catalogue?.cues.filter((c) => c.id !== 'none') ?? []);
  const lists = $derived([
    {
      key: 'focus' as const,
      title: 'Goals of your own',
      hint: 'Two to four reads; with none or one the rest is proposed.',
      add: 'Add a read',
      of: session.catalogue?.reads ?? [],
      name: (id: string) => session.readName(id)
    },
    {
      key: 'expect' as const,
      title: 'What the next opponent does',
      hint: 'Answers to it count half as much again.',
      add: 'Add a defense',
      of: cues,
      name: (id: string) => session.cueName(id)
    },
    {
      key: 'banned' as const,
      title: 'Drills to leave out',
      hint: '',
      add: 'Leave a drill out',
      of: session.drills,
      name: (id: string) => session.drill(id)?.name ?? 'a drill that is gone'
    }
  ]);
</script>

<section class="terms grid gap-4" aria-label="Terms of the evening">
  <div class="row grid grid-cols-[repeat(3,_1fr)] gap-3">
    {#each has as [key, name, least, most] (key)}
      <Label>
        <span>{name}</span>
        <Input
          type="number"
          min={least}
          max={most}
          value={t[key]}
          onchange={(e) => draft.setTerms({ [key]: Math.round(Number(e.currentTarget.value)) })}
        />
      </Label>
    {/each}
  </div>
  {#each lists as l (l.key)}
    <div>
      <h2>{l.title} <span class="soft font-normal text-sm">{l.hint}</span></h2>
      <ul class="quiet-list flex flex-wrap gap-2 mt-2">
        {#each t[l.key] as id (id)}
          <li>
            <Button
              class="font-normal py-0 px-3"
              aria-label={`Take ${l.name(id)} away`}
              onclick={() => draft.setTerms({ [l.key]: t[l.key].filter((x) => x !== id) })}
              >{l.name(id)} <span aria-hidden="true">×</span></Button
            >
          </li>
        {/each}
        <li>
          <Select
            placeholder=""
            class="min-h-12 max-w-60 border-2 border-line border-dashed bg-board text-ink"
            aria-label={l.add}
            value=""
            onchange={(e) => {
              const id = e.currentTarget.value;
              e.currentTarget.value = '';
              if (id && !t[l.key].includes(id)) draft.setTerms({ [l.key]: [...t[l.key], id] });
            }}
          >
            <option value="">+ {l.add}…</option>
            {#each l.of as o (o.id)}<option value={o.id}>{o.name}</option>{/each}
          </Select>
        </li>
      </ul>
    </div>
  {/each}
  {#if draft.sheet}<RulesForm {draft} inForce={draft.sheet.inForce} />{/if}
</section>
