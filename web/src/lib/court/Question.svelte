<script lang="ts">
  import { session } from '$lib/state/session.svelte';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import type { Lab } from './lab.svelte';
  import Button from '$lib/ui/Button.svelte';

  // A question: the answer is covered until somebody has said what it is.
  let { lab, right }: { lab: Lab; right: string } = $props();

  let said = $state('');
  const who = $derived(lab.lesson?.action.participants.find((p) => p.id === 'cutter')?.word ?? 'the cutter');
  const choices = $derived([...new Set(lab.lesson?.rows.map((r) => r.cutterRead) ?? [])]);
  $effect(() => {
    void lab.snapshot; // a new question forgets the last answer
    said = '';
  });
</script>

<h2>What should {who} do?</h2>
<div class="choices flex flex-wrap gap-2">
  {#each choices as c (c)}
    <Button aria-pressed={said === c} onclick={() => (said = c)}>
      <ReadGlyph read={c} size={34} />{session.readName(c)}
    </Button>
  {/each}
</div>
{#if said}
  <p role="status" class="text-xl font-bold">
    {said === right ? 'That is it.' : `No: ${session.readName(right).toLowerCase()}.`}
  </p>
{/if}
<div class="choices flex flex-wrap gap-2">
  <Button main onclick={() => (lab.asking = false)}>Show the answer</Button>
  <Button onclick={() => lab.question()}>Another one</Button>
</div>
