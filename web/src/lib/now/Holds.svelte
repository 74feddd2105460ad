<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import { tapeOf } from '$lib/parts/glyphs';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import { session } from '$lib/state/session.svelte';

  // The reads that hold the team back, and who needs what.
  let { team, now }: { team: string; now: Schemas['Now'] } = $props();

  const names = (ids: string[]) =>
    ids.map((id) => now.players.find((p) => p.id === id)?.name ?? '?').join(', ');
  const groups = [
    ['notYet', 'not yet'],
    ['tooClose', 'too close to call'],
    ['lapsed', 'had it'],
    ['notEnough', 'need reps']
  ] as const;
</script>

<section aria-labelledby="holds">
  <h2 id="holds" class="mb-3">What holds the team back</h2>
  {#if now.holds.length === 0}
    <p class="text-soft">
      Nothing is logged yet. After the first drill with judged reps the reads stand here.
    </p>
  {/if}
  <ol class="m-0 grid list-none items-start gap-4 p-0 sm:grid-cols-2 md:grid-cols-3">
    {#each now.holds as h (h.read)}
      <li class="border-l-8 border-(--tape) pl-3" style:--tape={tapeOf(h.read)}>
        <div class="flex items-center gap-3">
          <ReadGlyph read={h.read} size={40} />
          <h3 class="grow text-lg font-bold">{session.readName(h.read)}</h3>
          <a class="px-2 py-3" href={`/${team}/teach?read=${h.read}`}>Teach it</a>
        </div>
        {#each groups as [id, says] (id)}
          {#if h[id].length}
            <p class={id === 'notYet' ? '' : 'text-soft'}>
              <b class="numeral">{h[id].length}</b>
              {says === 'need reps' && h[id].length === 1 ? 'needs reps' : says}: {names(h[id])}
            </p>
          {/if}
        {/each}
        <p class="text-soft"><b class="numeral">{h.has}</b> {h.has === 1 ? 'has' : 'have'} it</p>
      </li>
    {/each}
  </ol>
</section>
