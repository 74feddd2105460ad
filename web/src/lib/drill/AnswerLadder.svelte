<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import CueGlyph from '$lib/parts/CueGlyph.svelte';
  import { session } from '$lib/state/session.svelte';

  // What to do when they take it away: each cue of a drill with its first answer and the
  // further ones. On paper it is run in, so that the sheet stays one page.
  let { stage, rows }: { stage: Schemas['Stage']; rows: Schemas['Row'][] } = $props();

  const shown = $derived(rows.filter((r) => stage.cues.includes(r.cue)));
  /** How many further answers a line holds. */
  const further = 2;
</script>

{#if shown.length}
  <section aria-label="When they take it away">
    <h2>When they take it away</h2>
    <dl class="mt-1 grid grid-cols-[auto_1fr] items-baseline gap-x-3 gap-y-1.5 print:mt-0 print:block">
      {#each shown as r (r.cue)}
        <dt class="flex items-start gap-1 font-bold print:inline">
          <span class="print:hidden"><CueGlyph cue={r.cue} size={26} /></span>{session.cueName(r.cue)}
        </dt>
        <dd class="print:inline">
          <b>{session.readName(r.cutterRead)}</b
          >{#each r.cutter.slice(1, further + 1) as a (a.read + a.secondCue.id)};
            {session.readName(a.read).toLowerCase()}{a.secondCue.if ? ` if ${a.secondCue.if}` : ''}{/each}.
          <span class="soft print:hidden">{session.readName(r.screenerRead)} beside it.</span>
        </dd>
      {/each}
    </dl>
  </section>
{/if}
