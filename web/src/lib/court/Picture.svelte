<script lang="ts">
  import Toggle from 'flowbite-svelte/Toggle.svelte';
  import type { Lab, Shooter } from './lab.svelte';

  // What the picture tells besides the places: movement, and who can shoot.
  let { lab }: { lab: Lab } = $props();

  const action = $derived(lab.lesson?.action);
  const moves = $derived(lab.lesson?.examples[0]?.velocity !== undefined);
  const driven = $derived(lab.lesson?.examples[0]?.velocity?.passer !== undefined);
  // With the ball in the screen it matters who can shoot.
  const shooters = $derived.by((): { id: Shooter; name: string }[] => {
    if (action?.family !== 'ball') return [];
    return (['cutter', 'screener', 'second'] as const).flatMap((id) => {
      const p = action.participants.find((q) => q.id === id);
      return p ? [{ id: `${id}Shoots` as Shooter, name: p.name }] : [];
    });
  });
</script>

{#if moves || shooters.length}
  <fieldset class="flex flex-wrap items-center gap-x-6 gap-y-2">
    <legend class="soft mb-1">In the picture</legend>
    {#if moves}
      <Toggle class="min-h-12" checked={lab.moving} onchange={(e) => lab.setMoving(e.currentTarget.checked)}
        >{driven ? 'The driver moves' : 'Defenders move'}</Toggle
      >
    {/if}
    {#each shooters as p (p.id)}
      <Toggle
        class="min-h-12"
        checked={lab.snapshot?.[p.id] ?? false}
        onchange={(e) => lab.shoots(p.id, e.currentTarget.checked)}>{p.name} shoots threes</Toggle
      >
    {/each}
  </fieldset>
{/if}
