<script lang="ts">
  import Input from 'flowbite-svelte/Input.svelte';
  import Select from 'flowbite-svelte/Select.svelte';
  import type { Player, Schemas } from '$lib/api/client';
  import Button from '$lib/ui/Button.svelte';

  type Terms = Schemas['GameTerms'];

  // Available players, for how long, and who belongs together.
  let { players, terms, onchange }: { players: Player[]; terms: Terms; onchange: (t: Terms) => void } =
    $props();

  let one = $state('');
  let two = $state('');

  const cap = (id: string) => terms.caps.find((c) => c.player === id)?.minutes;
  const name = (id: string) => players.find((p) => p.id === id)?.name ?? '?';
  const toggle = (id: string) =>
    onchange({
      ...terms,
      available: terms.available.includes(id)
        ? terms.available.filter((a) => a !== id)
        : [...terms.available, id]
    });

  function limit(id: string, text: string) {
    const caps = terms.caps.filter((c) => c.player !== id);
    const minutes = Math.round(Number(text));
    if (text !== '' && minutes >= 0) caps.push({ player: id, minutes });
    onchange({ ...terms, caps });
  }

  function pair() {
    if (one && two && one !== two) onchange({ ...terms, together: [...terms.together, [one, two]] });
    one = two = '';
  }
</script>

<section class="sheet py-3 px-4 min-w-0" aria-label="Available players">
  <div class="flex justify-between gap-4 flex-wrap items-center">
    <h2>Available players</h2>
    <label class="flex gap-2 items-center"
      ><span class="soft">Minutes of the game</span>
      <Input
        class="numeral w-[4.6rem]"
        type="number"
        min="4"
        max="60"
        value={terms.minutes}
        onchange={(e) => onchange({ ...terms, minutes: Number(e.currentTarget.value) })}
      /></label
    >
  </div>
  <ul class="quiet-list grid grid-cols-[repeat(auto-fill,_minmax(13.5rem,_1fr))] gap-y-1 gap-x-4 mt-2">
    {#each players as p (p.id)}
      {@const here = terms.available.includes(p.id)}
      <li class="grid grid-cols-[1fr_4.4rem] gap-2" class:away={!here}>
        <button
          class="flex items-center gap-2 min-h-12 py-0 px-2 border-0 border-l-6 border-l-mark bg-transparent font-bold text-inherit cursor-pointer text-left [.away_&]:border-l-transparent [.away_&]:text-soft [.away_&]:font-normal [.away_&]:line-through"
          aria-pressed={here}
          onclick={() => toggle(p.id)}
        >
          <span class="numeral text-xl min-w-[1.8rem] text-right">{p.jersey}</span>{p.name}
        </button>
        <Input
          class="numeral"
          type="number"
          min="0"
          max="60"
          placeholder="–"
          disabled={!here}
          value={cap(p.id) ?? ''}
          aria-label={`Most minutes of ${p.name}`}
          onchange={(e) => limit(p.id, e.currentTarget.value)}
        />
      </li>
    {/each}
  </ul>
  <p class="soft text-sm my-2 mx-0">The number is the most minutes a player may have; empty is no limit.</p>
  <div class="together grid grid-cols-[1fr_1fr_auto] gap-2">
    <Select placeholder="" bind:value={one} aria-label="Together, one"
      ><option value="">These two</option>{#each players as p (p.id)}<option value={p.id}>{p.name}</option
        >{/each}</Select
    >
    <Select placeholder="" bind:value={two} aria-label="Together, the other"
      ><option value="">together</option>{#each players as p (p.id)}<option value={p.id}>{p.name}</option
        >{/each}</Select
    >
    <Button disabled={!one || !two || one === two} onclick={pair}>Keep together</Button>
  </div>
  {#each terms.together as group, i (group.join())}
    <p class="flex justify-between items-center mt-2">
      <span>{group.map(name).join(' and ')} together</span>
      <Button onclick={() => onchange({ ...terms, together: terms.together.filter((_, k) => k !== i) })}
        >Let go</Button
      >
    </p>
  {/each}
</section>
