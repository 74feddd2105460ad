<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import CueGlyph from '$lib/parts/CueGlyph.svelte';
  import { session } from '$lib/state/session.svelte';

  // The card of whoever plays guided defense: how each cue of a stage is shown.
  let { stage }: { stage: Schemas['Stage'] } = $props();

  const cues = $derived(
    stage.cues.flatMap((id) => session.catalogue?.cues.find((c) => c.id === id) ?? []).filter((c) => c.show)
  );
</script>

{#if cues.length}
  <section aria-label="How to show it">
    <h2>How to show it</h2>
    <p class="soft">Walk it until both can see it, then at three quarters of the speed.</p>
    <dl class="mt-1 grid grid-cols-[auto_1fr] gap-x-3 gap-y-1.5">
      {#each cues as c (c.id)}
        <dt class="flex items-center gap-1 font-bold"><CueGlyph cue={c.id} size={26} />{c.name}</dt>
        <dd>{c.show}</dd>
      {/each}
    </dl>
  </section>
{/if}
