<script lang="ts">
  import type { Player, Schemas } from '$lib/api/client';
  import CueGlyph from '$lib/parts/CueGlyph.svelte';
  import { dutiesOf } from '$lib/parts/duties';
  import { session } from '$lib/state/session.svelte';
  import Brief from './Brief.svelte';
  import type { Placed } from './stretches';
  import { hourOf } from '$lib/state/teamclock';

  // A block on paper. The coach's has the arithmetic, the assistant's what they do.
  let {
    placed,
    startsAt,
    timed,
    players,
    helping
  }: {
    placed: Placed;
    startsAt: string;
    timed: Schemas['Sheet']['blocks'][number] | undefined;
    players: Player[];
    helping: boolean;
  } = $props();

  const b = $derived(placed.block);
  const drill = $derived(b.kind === 'drill' ? session.drill(b.drill) : undefined);
  const stage = $derived(drill?.stages.find((s) => s.id === b.stage));
  const group = $derived(players.filter((p) => b.players.includes(p.id)));
  const minute = 60000; // ms
  const from = $derived(hourOf(Date.parse(startsAt) + placed.start * minute));
</script>

<div
  class={[
    `block ${b.kind}`,
    '[&.block]:[padding:0.25em_0.6em] [&.block]:border-l-4 [&.block]:border-l-line [&.block]:break-inside-avoid [&.drill]:border-l-ink [&.water]:[border-left-style:dotted]'
  ]}
>
  <p class="leading-[1.28] flex [gap:0.7em] items-baseline">
    <span class="numeral at flex-none min-w-[3.6em]">{from}</span>
    <b>{b.title}</b>
    {#if stage}<span>{stage.name}</span>{/if}
    <span class="numeral min ml-auto whitespace-nowrap">{b.minutes} min</span>
  </p>
  {#if b.staff?.length}<p class="leading-[1.28]">
      <span class="soft">Staff</span>
      {dutiesOf(b.staff)
        .map((d) => `${d.who} ${d.does}`)
        .join('; ')}
    </p>{/if}
  {#if drill && stage}
    {#if group.length}<p class="leading-[1.28]">
        <span class="soft">Who</span>
        {group.map((p) => `${p.jersey} ${p.name}`).join(', ')}
      </p>{/if}
    {#if helping}
      {#if stage.coachShows && stage.cues.length}
        <p class="leading-[1.28] flex [gap:0.2em_0.9em] flex-wrap items-center">
          <span class="soft">You show</span>
          {#each stage.cues as c (c)}<span class="cue inline-flex items-center [gap:0.2em]"
              ><CueGlyph cue={c} size={18} />{session.cueName(c)}</span
            >{/each}
        </p>
      {/if}
      <p class="leading-[1.28]">
        <span class="soft">Helpers</span>
        {drill.helpers}
      </p>
      <p class="leading-[1.28]">
        <span class="soft">They rotate</span>
        {drill.rotation.say}
      </p>
    {:else}
      {#if timed}
        <Brief brief={timed.brief} paper />
        <p class="leading-[1.28]">
          <span class="soft">Reps</span>
          <span class="numeral">{timed.reps}</span>, <span class="numeral">{timed.perPlayer.toFixed(1)}</span>
          each, <span class="numeral">{b.baskets}</span>
          {b.baskets === 1 ? 'basket' : 'baskets'}
        </p>
      {/if}
    {/if}
  {/if}
</div>
