<script lang="ts">
  import Select from 'flowbite-svelte/Select.svelte';
  import { page } from '$app/state';
  import { session } from '$lib/state/session.svelte';
  import type { OffenseLab } from './lab.svelte';
  import Opponent from './Opponent.svelte';
  import SpreadStrip from './SpreadStrip.svelte';
  import Button from '$lib/ui/Button.svelte';
  import Note from '$lib/ui/Note.svelte';

  // Beside an offense that is watched: rules broken, the action, who plays, against whom.
  let { lab, names }: { lab: OffenseLab; names: (list: number[]) => string } = $props();

  const team = $derived(page.params.team ?? '');
  const section = 'sheet grid content-start gap-2 p-4';
  const id = $derived(lab.draft.chosen);
  const five = [0, 1, 2, 3, 4];
  const players = (i: number) =>
    lab.view.players
      .filter((p) => !lab.five.includes(p.id) || lab.five[i] === p.id)
      .map((p) => ({ value: p.id, name: `${p.jersey} ${p.name}` }));
</script>

<section class={section} aria-label="Rules broken">
  <h2>Rules broken</h2>
  {#each lab.shown.slice(-5) as v, i (i)}
    <Note warn>
      <b>{lab.view.rules.find((r) => r.id === v.rule)?.name}.</b>
      {v.text} <span class="soft">{names(v.players)}</span>
    </Note>
  {:else}<p class="soft">
      None. Stop the run and drag somebody off their spot: the rule they break is named, and it goes on from
      there.
    </p>{/each}
</section>
{#if lab.pass && !lab.covered}
  <section class={section} aria-label="This action">
    <h2>This action</h2>
    <p>
      <b>{lab.pass.answer}.</b>
      {names(lab.pass.players)}.
      {#if lab.pass.action}The read is that of the {session.actionName(lab.pass.action).toLowerCase()}.{/if}
    </p>
    <p class="flex flex-wrap gap-2">
      {#if session.coach && !lab.draft.unsaved}
        <Button main href={`/${team}/drills/edit?moment=${lab.moment}`}>Make a drill of this</Button>
      {:else if session.coach}
        <span class="soft">Save the offense to make a drill of this.</span>
      {/if}
      {#if lab.pass.action}
        <Button href={`/${team}/teach?action=${lab.pass.action}`}>Open the read</Button>
      {/if}
    </p>
  </section>
{/if}
<section class={section} aria-label="The other side"><Opponent {lab} /></section>
<SpreadStrip {lab} />
<section class={section} aria-label="Who is on the floor">
  <h2>Who is on the floor</h2>
  {#each five as i (i)}
    <div class="grid grid-cols-[1.5rem_1fr] items-center gap-2">
      <span class="numeral">{i + 1}</span>
      <Select placeholder="" aria-label={`Player ${i + 1}`} items={players(i)} bind:value={lab.five[i]} />
    </div>
  {/each}
</section>
<p class="flex flex-wrap gap-2">
  <Button href={`/${team}/teach/motion/steps?offense=${id}`}>Step by step</Button>
  <Button href={`/${team}/teach/motion/bench?offense=${id}`}>When they take it away</Button>
  <Button href={`/${team}/teach/principles`}>Our principles</Button>
  <Button href={`/${team}/teach`}>To the reads</Button>
</p>
