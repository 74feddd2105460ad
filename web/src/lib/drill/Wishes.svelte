<script lang="ts">
  import Checkbox from 'flowbite-svelte/Checkbox.svelte';
  import Select from 'flowbite-svelte/Select.svelte';
  import type { Player } from '$lib/api/client';
  import { session } from '$lib/state/session.svelte';
  import Button from '$lib/ui/Button.svelte';
  import Fold from '$lib/ui/Fold.svelte';

  // What the coach wants of the order: who is kept apart or together, and which
  // cues come more often.
  let {
    players,
    cues,
    apart = $bindable([]),
    together = $bindable([]),
    harder = $bindable([])
  }: {
    players: Player[];
    cues: string[];
    apart: string[][];
    together: string[][];
    harder: string[];
  } = $props();

  let one = $state('');
  let other = $state('');
  let how = $state<'apart' | 'together'>('apart');
  const name = (id: string | undefined) => players.find((p) => p.id === id)?.name ?? '';
  const ready = $derived(one !== '' && other !== '' && one !== other);

  function add() {
    if (!ready) return;
    if (how === 'apart') apart = [...apart, [one, other]];
    else together = [...together, [one, other]];
    one = other = '';
  }
</script>

<Fold class="print:hidden"
  >{#snippet title()}<span
      >Wishes: <b class="numeral">{apart.length + together.length + harder.length}</b></span
    >{/snippet}
  <div class="row flex flex-wrap gap-y-2 gap-x-4 items-center mb-2">
    <Select
      placeholder=""
      class="min-h-11 border border-line bg-sheet text-ink"
      aria-label="Keep"
      bind:value={how}
    >
      <option value="apart">Keep apart</option>
      <option value="together">Keep together</option>
    </Select>
    <Select
      placeholder=""
      class="min-h-11 border border-line bg-sheet text-ink"
      aria-label="One player"
      bind:value={one}
    >
      <option value="">a player</option>
      {#each players as p (p.id)}<option value={p.id}>{p.jersey} {p.name}</option>{/each}
    </Select>
    <Select
      placeholder=""
      class="min-h-11 border border-line bg-sheet text-ink"
      aria-label="Other player"
      bind:value={other}
    >
      <option value="">and a player</option>
      {#each players as p (p.id)}<option value={p.id}>{p.jersey} {p.name}</option>{/each}
    </Select>
    <Button disabled={!ready} onclick={add}>Add the wish</Button>
  </div>
  <ul class="quiet-list">
    {#each apart as w, i (w.join())}
      <li class="flex gap-3 items-center">
        {name(w[0])} and {name(w[1])} apart
        <Button onclick={() => (apart = apart.filter((_, k) => k !== i))}>Remove</Button>
      </li>
    {/each}
    {#each together as w, i (w.join())}
      <li class="flex gap-3 items-center">
        {name(w[0])} and {name(w[1])} together
        <Button onclick={() => (together = together.filter((_, k) => k !== i))}>Remove</Button>
      </li>
    {/each}
  </ul>
  {#if cues.length > 1}
    <div
      class="row flex flex-wrap gap-y-2 gap-x-4 items-center mb-2"
      role="group"
      aria-label="Show twice as often"
    >
      <span class="soft">Twice as often:</span>
      {#each cues as c (c)}
        <Checkbox
          checked={harder.includes(c)}
          onchange={(e) =>
            (harder = e.currentTarget.checked ? [...harder, c] : harder.filter((h) => h !== c))}
          classes={{ div: 'min-h-10' }}>{session.cueName(c)}</Checkbox
        >
      {/each}
    </div>
  {/if}
</Fold>
