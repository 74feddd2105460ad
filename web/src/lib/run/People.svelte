<script lang="ts">
  import { session } from '$lib/state/session.svelte';
  import type { Presence } from './changes.svelte';
  import type { Floor } from './floor.svelte';
  import Button from '$lib/ui/Button.svelte';

  // Who is on the floor: late arrivals, who leaves, who is limited or hurt.
  let { floor }: { floor: Floor } = $props();

  const states: { id: Presence; name: string }[] = [
    { id: 'here', name: 'Here' },
    { id: 'limited', name: 'No live reps' },
    { id: 'left', name: 'Left' },
    { id: 'hurt', name: 'Hurt' }
  ];
  const people = $derived([...floor.players.values()]);
  const hurt = $derived(people.filter((p) => floor.presence.get(p.id) === 'hurt'));
</script>

{#if hurt.length > 0}
  <p role="alert" class="border-l-8 border-l-alarm py-2 px-4 mb-3 leading-[1.3]">
    <b>{hurt.map((p) => p.name).join(', ')}:</b>
    {session.catalogue?.hurtCaution}
  </p>
{/if}
<ul class="quiet-list">
  {#each people as p (p.id)}
    {@const is = floor.presence.get(p.id)}
    <li
      class="grid grid-cols-[2.6rem_minmax(5rem,_1fr)_auto] items-center gap-2 py-1 px-0 border-b border-b-seam max-sm:grid-cols-[2.6rem_1fr]"
    >
      <b class="numeral text-xl">{p.jersey}</b>
      <span class:soft={!is}>{p.name}</span>
      <div class="flex max-sm:col-span-full" role="radiogroup" aria-label={p.name}>
        {#each states as s (s.id)}
          <Button
            class="py-0 px-3 font-normal rounded-none -ml-[-2px] whitespace-nowrap max-sm:flex-1 max-sm:py-0 max-sm:px-1"
            role="radio"
            aria-checked={is === s.id}
            onclick={() => floor.setPresence(p.id, s.id)}
            >{s.id === 'here' && !is ? 'Arrives' : s.name}</Button
          >
        {/each}
      </div>
    </li>
  {/each}
</ul>
