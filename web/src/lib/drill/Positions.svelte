<script lang="ts">
  import Checkbox from 'flowbite-svelte/Checkbox.svelte';
  import Input from 'flowbite-svelte/Input.svelte';
  import Select from 'flowbite-svelte/Select.svelte';
  import { session } from '$lib/state/session.svelte';
  import type { Draft } from './draft.svelte';
  import Button from '$lib/ui/Button.svelte';

  // Who is on the floor in a rep, and where it starts.
  let { draft }: { draft: Draft } = $props();

  const positions = $derived(draft.drill.positions);
  type Position = (typeof positions)[number];

  const change = (i: number, next: Partial<Position>) =>
    draft.change({ positions: positions.map((p, k) => (k === i ? { ...p, ...next } : p)) });

  function add() {
    const n = positions.length + 1;
    const free = session.catalogue?.spots.find(
      (s) => s.id !== 'rim' && !positions.some((p) => p.spot === s.id)
    );
    draft.change({
      positions: [
        ...positions,
        { id: `player-${n}`, name: `Player ${n}`, letter: String(n), spot: free?.id ?? 'top' }
      ]
    });
  }

  /** Nobody does anything who is not there: their acts go with them. */
  function remove(i: number) {
    const id = positions[i]?.id;
    draft.change({
      positions: positions.filter((_, k) => k !== i),
      phases: draft.drill.phases.map((ph) => ({
        ...ph,
        acts: ph.acts.filter((a) => a.who !== id && a.to !== id && a.for !== id)
      }))
    });
  }

  const hold = (i: number) => draft.change({ positions: positions.map((p, k) => ({ ...p, ball: k === i })) });
</script>

<fieldset>
  <legend>Positions</legend>
  <ul class="quiet-list">
    {#each positions as p, i (p.id)}
      <li
        class="grid grid-cols-[1.2fr_3.2rem_1.2fr_auto_auto_auto] gap-2 items-center mb-2 max-sm:grid-cols-[4rem_1fr_1fr] max-sm:border-b max-sm:border-seam max-sm:pb-2"
      >
        <Input
          aria-label="Name"
          value={p.name}
          maxlength={24}
          onchange={(e) => change(i, { name: e.currentTarget.value })}
        />
        <Input
          aria-label="Letter"
          class="letter text-center"
          value={p.letter}
          maxlength={2}
          onchange={(e) => change(i, { letter: e.currentTarget.value })}
        />
        <Select
          placeholder=""
          aria-label="Starts at"
          value={p.spot}
          onchange={(e) => change(i, { spot: e.currentTarget.value })}
        >
          {#each session.catalogue?.spots ?? [] as s (s.id)}
            {#if s.id !== 'rim'}<option value={s.id}>{s.name}</option>{/if}
          {/each}
        </Select>
        <label class="flex gap-1 items-center"
          ><input type="radio" name="ball" checked={p.ball ?? false} onchange={() => hold(i)} />ball</label
        >
        <Checkbox checked={p.helper ?? false} onchange={(e) => change(i, { helper: e.currentTarget.checked })}
          >helper</Checkbox
        >
        <Button aria-label={`Remove ${p.name}`} onclick={() => remove(i)}>Remove</Button>
      </li>
    {/each}
  </ul>
  <Button onclick={add}>Add a position</Button>
</fieldset>
