<script lang="ts">
  import Checkbox from 'flowbite-svelte/Checkbox.svelte';
  import type { Player } from '$lib/api/client';
  import type { Draft } from './draft.svelte';

  // Who is here, and what the plan gives each.
  let { draft, players }: { draft: Draft; players: Player[] } = $props();

  const sheet = $derived(draft.sheet);
  const most = $derived(Math.max(1, ...(sheet?.load.map((l) => l.cutter + l.screener) ?? [])));
  const load = $derived(new Map(sheet?.load.map((l) => [l.player, l])));
  const here = (id: string) => draft.input.present.includes(id);
  const limited = (id: string) => draft.input.limited.includes(id);
</script>

<section aria-label="Who is here">
  <div
    class="soft grid grid-cols-[8.5rem_3.4rem_minmax(2rem,_1fr)_3rem_2.6rem_2.6rem_2.6rem] gap-2 items-center text-xs leading-[1.1]"
    aria-hidden="true"
  >
    <span class="[&:nth-child(n_+_4)]:text-right">Here</span><span class="[&:nth-child(n_+_4)]:text-right"
      >Not live</span
    ><span class="[&:nth-child(n_+_4)]:text-right">cuts + screens</span><span
      class="[&:nth-child(n_+_4)]:text-right"
    ></span><span class="[&:nth-child(n_+_4)]:text-right">touch</span><span
      class="[&:nth-child(n_+_4)]:text-right">live′</span
    ><span class="[&:nth-child(n_+_4)]:text-right">jumps</span>
  </div>
  <ul class="quiet-list">
    {#each players as p (p.id)}
      {@const l = load.get(p.id)}
      <li
        class="grid grid-cols-[8.5rem_3.4rem_minmax(2rem,_1fr)_3rem_2.6rem_2.6rem_2.6rem] gap-2 items-center"
        class:away={!here(p.id)}
      >
        <Checkbox
          checked={here(p.id)}
          onchange={() => draft.setHere(p.id, here(p.id) ? 'away' : 'here')}
          classes={{ div: 'min-h-[38px]' }}
        >
          <span class="numeral jersey min-w-6 text-right">{p.jersey}</span>
          <span class="name [.away_&]:line-through [.away_&]:text-soft">{p.name}</span>
        </Checkbox>
        <Checkbox
          aria-label={`${p.name} keeps out of live blocks`}
          checked={limited(p.id)}
          disabled={!here(p.id)}
          onchange={() => draft.setHere(p.id, limited(p.id) ? 'here' : 'limited')}
          classes={{ div: 'min-h-[38px] justify-center' }}
        ></Checkbox>
        {#if l}
          <span class="flex h-3 bg-seam" aria-label={`${l.cutter} cuts, ${l.screener} screens`} role="img">
            <span class="cut bg-(--tape-blue)" style:width={`${(l.cutter / most) * 100}%`}></span><span
              class="screen [background:repeating-linear-gradient(90deg,_var(--tape-teal)_0_3px,_transparent_3px_5px)]"
              style:width={`${(l.screener / most) * 100}%`}
            ></span>
          </span>
          <span class="numeral text-right">{l.cutter}+{l.screener}</span>
          <span class="numeral text-right">{l.touches}</span>
          <span class="numeral text-right">{l.hardMinutes}</span>
          <span class="numeral text-right">{l.jumps}</span>
        {/if}
      </li>
    {/each}
  </ul>
</section>
