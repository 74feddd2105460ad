<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import { session } from '$lib/state/session.svelte';

  // What is seen, and what each of the two does about it, to be read from the back of the gym.
  let {
    action,
    row,
    answered
  }: { action: Schemas['Lesson']['action']; row: Schemas['Row']; answered: boolean } = $props();

  const part = 'text-[clamp(1.1rem,1.6vw,1.8rem)] leading-tight';
</script>

<div class="flex min-h-0 flex-col gap-4 overflow-auto">
  <h1 class="text-[clamp(1.3rem,2.2vw,2.2rem)] text-soft">{action.name}</h1>
  <p class="text-[clamp(1.7rem,3vw,3.4rem)] leading-[1.12] font-bold">{row.seen}.</p>
  {#if answered}
    <div
      role="status"
      class="grid grid-cols-[auto_1fr] items-center gap-x-4 max-md:[&_svg]:size-21 [&_svg]:row-span-2"
    >
      <ReadGlyph read={row.cutterRead} size={150} />
      <p class="self-end text-[clamp(2.2rem,4.4vw,5rem)] leading-none font-bold">
        {session.readName(row.cutterRead)}
      </p>
      <p class="self-start text-[clamp(1.4rem,2.3vw,2.6rem)]">{session.read(row.cutterRead)?.shout}</p>
    </div>
    <p class={part}><b>{action.parts[0]}.</b> {row.cutterPart}</p>
    <p class={part}>
      <b>{action.parts[1]}: {session.readName(row.screenerRead).toLowerCase()}.</b>
      {row.screenerPart}
    </p>
  {:else}
    <p class="text-[clamp(1.6rem,2.6vw,3rem)] text-soft">What do you do?</p>
  {/if}
</div>
