<script lang="ts">
  import Input from 'flowbite-svelte/Input.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import Select from 'flowbite-svelte/Select.svelte';
  import Toggle from 'flowbite-svelte/Toggle.svelte';
  import { notices } from '$lib/state/notices.svelte';
  import { session } from '$lib/state/session.svelte';
  import Choices from './Choices.svelte';
  import type { OffenseLab, View } from './lab.svelte';
  import Parts from './Parts.svelte';
  import Shape from './Shape.svelte';
  import Verdict from './Verdict.svelte';
  import Button from '$lib/ui/Button.svelte';

  // The team's own offense, written from parts; it can be run beside it at once.
  let { lab, onview }: { lab: OffenseLab; onview: (view: View) => void } = $props();

  const draft = $derived(lab.draft);
  const followed = $derived(lab.view.teams.find((t) => t.id === lab.view.follows));
  let from = $state('');
  let follow = $state(false);
  const section = 'sheet grid content-start gap-3 p-4';

  async function save() {
    try {
      await draft.save();
      notices.say('Saved. This is the team’s offense now.');
    } catch (e) {
      notices.fail(e);
    }
  }
  async function copy() {
    try {
      onview(await draft.copy(from, follow));
      notices.say('Copied. This is the team’s offense now.');
    } catch (e) {
      notices.fail(e);
    }
  }
</script>

<section class={section} aria-label="Check">
  {#if followed}<p class="soft">Follows {followed.name}: their changes are made here too.</p>{/if}
  <Verdict {lab} />
  {#if session.coach}
    <div class="flex flex-wrap gap-2">
      <Button
        main
        disabled={draft.checking ||
          Boolean(draft.check?.problem) ||
          (!draft.unsaved && draft.chosen === 'own')}
        onclick={save}>Save as our offense</Button
      >
      <Button disabled={!draft.canUndo} onclick={() => draft.undo()}>Undo</Button>
    </div>
  {/if}
</section>
<section class={section} aria-label="Name">
  <Label>
    Name
    <Input
      maxlength={60}
      value={lab.offense.name}
      onchange={(e) => draft.edit({ name: e.currentTarget.value })}
    />
  </Label>
  <Label>
    In one sentence
    <Input
      maxlength={300}
      value={lab.offense.about}
      onchange={(e) => draft.edit({ about: e.currentTarget.value })}
    />
  </Label>
</section>
<section class={section} aria-label="Where they start">
  <h2>Where they start</h2>
  <Shape {lab} />
</section>
<section class={section} aria-label="What may follow a pass">
  <h2>What may follow a pass</h2>
  <Parts {lab} />
</section>
<section class={section} aria-label="How we play it">
  <h2>How we play it</h2>
  <Choices {lab} />
</section>
{#if session.coach && lab.view.teams.length}
  <section class={section} aria-label="Another team’s offense">
    <h2>Play another team’s offense</h2>
    <Select
      aria-label="Team"
      placeholder="Choose a team"
      items={lab.view.teams.map((t) => ({ value: t.id, name: `${t.name}: ${t.offense}` }))}
      bind:value={from}
    />
    <Toggle class="min-h-11 text-base" bind:checked={follow}>Follow their changes</Toggle>
    <p><Button disabled={!from} onclick={copy}>Copy it</Button></p>
  </section>
{/if}
