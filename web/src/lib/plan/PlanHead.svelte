<script lang="ts">
  import Input from 'flowbite-svelte/Input.svelte';
  import { session } from '$lib/state/session.svelte';
  import { dayOf, fieldOf, fromField, hourOf } from '$lib/state/teamclock';
  import Button from '$lib/ui/Button.svelte';
  import type { Draft } from './draft.svelte';

  // When a practice is, and what can be done with its plan.
  let { draft, onsave, onrun }: { draft: Draft; onsave: () => void; onrun: () => void } = $props();

  const tight = 'max-sm:px-2 max-sm:leading-[1.1]';
</script>

<div class="page-head">
  <h1>{dayOf(draft.input.startsAt)} <span class="numeral">{hourOf(draft.input.startsAt)}</span></h1>
  <label class="inline-flex items-center gap-2">
    <span class="sr-only">Date and time</span>
    <Input
      type="datetime-local"
      value={fieldOf(draft.input.startsAt)}
      onchange={(e) => {
        const startsAt = fromField(e.currentTarget.value);
        if (startsAt) draft.change({ startsAt });
      }}
    />
  </label>
  <label class="inline-flex items-center gap-2"
    >Length <Input
      class="w-20"
      type="number"
      min="10"
      max="240"
      value={draft.input.minutes}
      onchange={(e) => draft.change({ minutes: Math.round(Number(e.currentTarget.value)) })}
    /> min</label
  >
  <div class="flex gap-2 sm:ml-auto max-sm:gap-1 print:hidden">
    <Button class={tight} onclick={() => draft.undo()} disabled={!draft.canUndo}>Undo</Button>
    <Button class={tight} onclick={() => draft.redo()} disabled={!draft.canRedo}>Redo</Button>
    {#if session.coach}
      <Button main class={tight} onclick={onsave} disabled={!draft.changed || draft.saving}>Save</Button>
      <Button class={tight} onclick={onrun}>Run practice</Button>
    {/if}
  </div>
</div>
