<script lang="ts">
  import { session } from '$lib/state/session.svelte';
  import type { Floor } from './floor.svelte';
  import Standing from './Standing.svelte';
  import Button from '$lib/ui/Button.svelte';

  // What is counted in a live block, one tap each. Where a read is logged, how the rep ended
  // is noted with it; where none is, that is counted here too.
  let { floor }: { floor: Floor } = $props();

  let open = $state(false);
  const all = $derived(session.catalogue?.tallies ?? []);
  const small = $derived(all.filter((t) => !t.ends));
</script>

<div class="flex gap-2 overflow-x-auto pb-1 sm:flex-wrap" role="group" aria-label="Counts">
  {#each small as t (t.id)}
    <Button
      class="flex-none px-3! text-base! font-normal! whitespace-nowrap"
      onclick={() => floor.tallies.add(t.id)}>{t.name} <b class="numeral">{floor.tallies.of(t.id)}</b></Button
    >
  {/each}
  <Button class="flex-none px-3! text-base!" onclick={() => (open = true)}>Score</Button>
</div>
{#if open}<Standing bind:open {floor} tallies={all} />{/if}
