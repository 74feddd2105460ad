<script lang="ts">
  import Input from 'flowbite-svelte/Input.svelte';
  import Select from 'flowbite-svelte/Select.svelte';
  import type { Schemas } from '$lib/api/client';
  import { session } from '$lib/state/session.svelte';

  // What is played for: points on a live rung, makes where no read is taught.
  let { stage, taught, onchange }: { stage: Stage; taught: boolean; onchange: (to: Partial<Stage>) => void } =
    $props();

  type Stage = Schemas['Stage'];
  type Goal = NonNullable<Stage['goal']>;
  const live = $derived(Boolean(session.rung(stage.rung)?.live));
  const kinds = $derived([
    { value: '', name: 'No goal' },
    ...(session.catalogue?.goals ?? []).map((g) => ({ value: g.id, name: g.name }))
  ]);
  const number = (e: Event) => Number((e.currentTarget as HTMLInputElement).value) || 0;
  const first: Goal = { kind: 'side', makes: 10 };

  function kind(e: Event) {
    const id = (e.currentTarget as HTMLSelectElement).value as Goal['kind'] | '';
    onchange({ goal: id ? { ...(stage.goal ?? first), kind: id } : undefined });
  }
  function change(to: Partial<Goal>) {
    onchange({ goal: { ...(stage.goal ?? first), ...to } });
  }
</script>

{#if live}
  <label class="flex items-center gap-2">
    <Input
      class="w-20! rounded-sm"
      type="number"
      min="0"
      max="50"
      aria-label="Points that win"
      value={stage.target ?? 0}
      onchange={(e: Event) => onchange({ target: number(e) || undefined })}
    />points win; 0 for no score
  </label>
{:else if !taught}
  <div class="flex flex-wrap items-center gap-2" role="group" aria-label="Goal">
    <Select
      class="w-56"
      classes={{ select: 'rounded-sm' }}
      aria-label="Goal"
      placeholder=""
      items={kinds}
      value={stage.goal?.kind ?? ''}
      onchange={kind}
    />
    {#if stage.goal}
      <Input
        class="w-20! rounded-sm"
        type="number"
        min="1"
        max="200"
        aria-label="Makes"
        value={stage.goal.makes}
        onchange={(e: Event) => change({ makes: number(e) })}
      />
      <label class="flex items-center gap-2"
        >in
        <Input
          class="w-20! rounded-sm"
          type="number"
          min="0"
          max="900"
          aria-label="Seconds for the goal"
          value={stage.goal.seconds ?? 0}
          onchange={(e: Event) => change({ seconds: number(e) || undefined })}
        />s; 0 for no limit</label
      >
    {/if}
  </div>
{/if}
