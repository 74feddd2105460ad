<script lang="ts">
  import Select from 'flowbite-svelte/Select.svelte';
  import type { OffenseLab } from './lab.svelte';
  import MotionFloor from './MotionFloor.svelte';
  import Button from '$lib/ui/Button.svelte';
  import Note from '$lib/ui/Note.svelte';

  // The court with the offense on it, which one it is, and how it is run.
  let { lab, names, onanswer }: { lab: OffenseLab; names: (list: number[]) => string; onanswer: () => void } =
    $props();

  const draft = $derived(lab.draft);
  const offenses = $derived([
    ...(lab.view.chosen || draft.chosen === 'own'
      ? [{ value: 'own', name: `${draft.chosen === 'own' ? lab.offense.name : lab.view.own.name} (ours)` }]
      : []),
    ...lab.view.offenses.map((o) => ({ value: o.id, name: o.name }))
  ]);
</script>

<section
  class="grid h-auto max-h-[60rem] grid-rows-[auto_minmax(20rem,1fr)_auto_auto] gap-3 md:h-[calc(100dvh-6.6rem)]"
  aria-label="The offense"
>
  <div class="grid items-center gap-3 md:grid-cols-[18rem_1fr]">
    <Select
      placeholder=""
      class="font-bold"
      aria-label="Offense"
      items={offenses}
      value={draft.chosen}
      onchange={(e) => draft.choose(e.currentTarget.value)}
    />
    <span class="leading-tight text-(--ink-soft)">{lab.offense.about}</span>
  </div>
  <div class="relative min-h-0">
    {#if lab.pass}
      <p
        class="absolute top-1 left-1 z-2 max-w-[60%] border-l-8 border-(--mark) bg-(--sheet) px-3 py-1"
        role="status"
      >
        {#if lab.covered}<b>What now?</b>
        {:else}<b>{lab.pass.answer}.</b> {names(lab.pass.players)}{/if}
      </p>
    {/if}
    <MotionFloor {lab} />
  </div>
  <div class="flex flex-wrap gap-2">
    {#if lab.covered}
      <Button main onclick={onanswer}>Show it</Button>
    {:else if lab.player.running}
      <Button main onclick={() => lab.freeze()}>Stop here</Button>
    {:else}
      <Button main onclick={() => lab.start()}
        >{lab.run || lab.standing !== draft.start ? 'Continue' : 'Run it'}</Button
      >
    {/if}
    <Button aria-pressed={lab.player.slow} onclick={() => (lab.player.slow = !lab.player.slow)}>Slow</Button>
    <Button onclick={() => lab.restart()}>From the start</Button>
    <Button aria-pressed={lab.asking} onclick={() => (lab.asking = !lab.asking)}>Ask what now</Button>
  </div>
  {#if lab.problem}<Note>{lab.problem}</Note>{/if}
</section>
