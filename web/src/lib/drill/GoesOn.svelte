<script lang="ts">
  import Select from 'flowbite-svelte/Select.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import type { Schemas } from '$lib/api/client';
  import { session } from '$lib/state/session.svelte';
  import type { Draft } from './draft.svelte';
  import Button from '$lib/ui/Button.svelte';

  // Who else can be judged, and which actions a live rep goes on with.
  let { draft }: { draft: Draft } = $props();

  type Link = Schemas['DrillLink'];
  const d = $derived(draft.drill);
  const then = $derived(d.then ?? []);
  const action = $derived(session.catalogue?.actions.find((s) => s.id === d.action));
  const players = $derived(d.positions.filter((p) => !p.helper).map((p) => ({ value: p.id, name: p.name })));
  const nobody = $derived([{ value: '', name: 'nobody' }, ...players]);
  const actions = $derived((session.catalogue?.actions ?? []).map((s) => ({ value: s.id, name: s.name })));
  const value = (e: Event) => (e.currentTarget as HTMLSelectElement).value;

  const set = (to: Link[]) => draft.change({ then: to.length ? to : undefined });
  const change = (i: number, to: Partial<Link>) => set(then.map((l, k) => (k === i ? { ...l, ...to } : l)));
  function add() {
    const [who, partner] = players;
    if (who) set([...then, { action: 'closeout', who: who.value, with: partner?.value ?? '' }]);
  }
</script>

{#if d.action}
  <fieldset>
    <legend>What a rep goes on with</legend>
    {#if action?.third}
      <Label
        ><span>A third one who can be judged</span>
        <Select
          classes={{ select: 'rounded-sm' }}
          aria-label="Third"
          placeholder=""
          items={nobody}
          value={d.third ?? ''}
          onchange={(e: Event) => draft.change({ third: value(e) || undefined })}
        />
      </Label>
    {/if}
    {#each then as l, i (i)}
      <div class="my-2 grid grid-cols-[1.6fr_1fr_1fr_auto] items-center gap-2">
        <Select
          classes={{ select: 'rounded-sm' }}
          aria-label={`Goes on with, ${i + 1}`}
          placeholder=""
          items={actions}
          value={l.action}
          onchange={(e: Event) => change(i, { action: value(e) })}
        />
        <Select
          classes={{ select: 'rounded-sm' }}
          aria-label={`Who reads, ${i + 1}`}
          placeholder=""
          items={players}
          value={l.who}
          onchange={(e: Event) => change(i, { who: value(e) })}
        />
        <Select
          classes={{ select: 'rounded-sm' }}
          aria-label={`With whom, ${i + 1}`}
          placeholder=""
          items={nobody}
          value={l.with}
          onchange={(e: Event) => change(i, { with: value(e) })}
        />
        <Button
          aria-label={`Remove what comes after, ${i + 1}`}
          onclick={() => set(then.filter((_, k) => k !== i))}>Remove</Button
        >
      </div>
    {/each}
    <Button onclick={add}>Add what it goes on with</Button>
  </fieldset>
{/if}
