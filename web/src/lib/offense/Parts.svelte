<script lang="ts">
  import Label from 'flowbite-svelte/Label.svelte';
  import Select from 'flowbite-svelte/Select.svelte';
  import type { Schemas } from '$lib/api/client';
  import type { OffenseLab } from './lab.svelte';
  import Button from '$lib/ui/Button.svelte';

  // What may follow a pass: parts with how often each comes, and counters that wait.
  let { lab }: { lab: OffenseLab } = $props();

  const often = [
    [0, 'when nothing else fits'],
    [0.5, 'half as often'],
    [1, 'as often as others'],
    [2, 'twice as often'],
    [4, 'four times as often']
  ] as const;
  // What has no choice: the answer to a pass that is denied, and the way out of the post.
  const forced = ['denied', 'out'];
  type Part = Schemas['OffensePart'];

  const parts = $derived(lab.offense.parts);
  const of = (id: string) => lab.view.parts.find((p) => p.id === id);
  const rest = $derived(lab.view.parts.filter((p) => !parts.some((q) => q.id === p.id)));
  const triggers = $derived([
    { value: '', name: 'From the start' },
    ...lab.view.triggers.map((t) => ({ value: t.id, name: t.name }))
  ]);
  const weights = (w: number) => {
    const items = often.map(([value, name]) => ({ value: String(value), name }));
    return items.some((i) => Number(i.value) === w)
      ? items
      : [...items, { value: String(w), name: `${w} times as often` }];
  };
  const change = (id: string, to: Partial<Part>) =>
    lab.draft.edit({ parts: parts.map((p) => (p.id === id ? { ...p, ...to } : p)) });

  let added = $state('');
  function add() {
    if (added) lab.draft.edit({ parts: [...parts, { id: added, weight: 1 }] });
    added = '';
  }
</script>

<ul class="quiet-list grid gap-3">
  {#each parts as p (p.id)}
    {@const part = of(p.id)}
    <li class="grid gap-2 border-t border-(--seam) pt-2" aria-label={part?.name}>
      <div class="flex items-start gap-2">
        <span class="grow leading-tight">
          <b>{part?.name}</b><br /><small class="text-[15px] text-(--ink-soft)">{part?.about}</small>
        </span>
        <Button
          class="min-w-11 px-3"
          aria-label={`Remove ${part?.name}`}
          onclick={() => lab.draft.edit({ parts: parts.filter((q) => q.id !== p.id) })}>×</Button
        >
      </div>
      {#if !forced.includes(part?.on ?? '')}
        <div class="grid gap-2 sm:grid-cols-2">
          <Select
            placeholder=""
            aria-label={`How often: ${part?.name}`}
            items={weights(p.weight)}
            value={String(p.weight)}
            onchange={(e) => change(p.id, { weight: Number(e.currentTarget.value) })}
          />
          <Select
            placeholder=""
            aria-label={`From when: ${part?.name}`}
            items={triggers}
            value={p.after ?? ''}
            onchange={(e) => change(p.id, { after: e.currentTarget.value || undefined })}
          />
        </div>
      {/if}
    </li>
  {/each}
</ul>
{#if rest.length}
  <Label class="mt-3">
    Add a part
    <Select
      placeholder="Choose one"
      items={rest.map((p) => ({ value: p.id, name: p.name }))}
      bind:value={added}
      onchange={add}
    />
  </Label>
{/if}
