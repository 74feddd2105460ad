<script lang="ts">
  import ButtonGroup from 'flowbite-svelte/ButtonGroup.svelte';
  import type { Floor } from './floor.svelte';
  import Button from '$lib/ui/Button.svelte';

  // A rep that goes on: the pass that was made decides the next action, and the coach says
  // which one is watched.
  let { floor }: { floor: Floor } = $props();
</script>

{#if floor.links.length > 1}
  <ButtonGroup class="flex w-full" aria-label="Action that is watched">
    {#each floor.links as l (l.link.action)}
      <Button
        class="min-w-0 flex-1 rounded-none! px-2! text-base! leading-tight"
        aria-pressed={floor.link === l}
        onclick={() => floor.watch(l.link.action)}>{l.name}</Button
      >
    {/each}
  </ButtonGroup>
{/if}
