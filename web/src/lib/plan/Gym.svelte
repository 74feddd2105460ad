<script lang="ts">
  import { hourOf } from '$lib/state/teamclock';
  import type { Draft } from './draft.svelte';
  import Button from '$lib/ui/Button.svelte';
  import Note from '$lib/ui/Note.svelte';

  // Another team of the program is in the gym: the baskets are shared.
  let { draft }: { draft: Draft } = $props();

  const others = $derived(draft.stored?.gym ?? []);
  const share = $derived(Math.max(1, Math.floor(2 / (others.length + 1))));
</script>

{#if others.length > 0}
  <Note warn class="flex flex-wrap items-center gap-3">
    <span>
      In the gym at the same time:
      {#each others as o, i (o.team + o.startsAt)}{i ? ', ' : ''}<b>{o.team}</b> from {hourOf(o.startsAt)}, {o.minutes}
        min{/each}. This plan uses {draft.input.terms.baskets === 1
        ? 'one basket'
        : `${draft.input.terms.baskets} baskets`}.
    </span>
    {#if draft.input.terms.baskets > share}
      <Button onclick={() => draft.setTerms({ baskets: share })}
        >Plan for {share === 1 ? 'one basket' : `${share} baskets`}</Button
      >
    {/if}
  </Note>
{/if}
