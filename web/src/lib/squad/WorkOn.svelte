<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import { session } from '$lib/state/session.svelte';

  // The board in sentences: what needs work and what is made in its place, and who is ready for
  // the next rung or should go back one.
  let { board, team }: { board: Schemas['Board']; team: string } = $props();

  const most = 3;
  const holds = $derived(board.holds.filter((h) => h.notYet.length > 0).slice(0, most));
  const name = (id: string) => board.players.find((p) => p.id === id)?.name ?? '?';
  const read = (id: string) => session.readName(id).toLowerCase();
  const some = (n: number, one: string, several: string) =>
    n === 0 ? '' : `${n} ${n === 1 ? one : several}`;
  const text = (h: (typeof holds)[number]) => {
    const parts = [
      some(h.notYet.length, 'does not have it yet', 'do not have it yet'),
      some(h.tooClose.length, 'is too close to call', 'are too close to call'),
      some(h.notEnough.length, 'needs reps', 'need reps'),
      some(h.has, 'has it', 'have it') || 'nobody has it'
    ];
    const instead = h.instead ? ` Most make ${read(h.instead)} instead.` : '';
    return `needs work: ${parts.filter(Boolean).join(', ')}.${instead}`;
  };
  type Move = { title: string; to: 'goUp' | 'goDown' };
  const moves: Move[] = [
    { title: 'Ready for live defenders', to: 'goUp' },
    { title: 'Back to guided reps', to: 'goDown' }
  ];
  const list = (to: Move['to']) =>
    board.holds.filter((h) => h[to].length > 0).map((h) => `${read(h.read)}: ${h[to].map(name).join(', ')}`);
</script>

{#if holds.length > 0 || moves.some((m) => list(m.to).length > 0)}
  <section class="sheet mb-4 grid gap-x-8 gap-y-3 p-4 md:grid-cols-[3fr_2fr]" aria-label="What to do next">
    <ul class="quiet-list grid content-start gap-2">
      {#each holds as h (h.read)}
        <li class="flex items-center gap-3">
          <ReadGlyph read={h.read} size={34} />
          <span>
            <a class="font-bold" href={`/${team}/squad/read/${h.read}`}>{session.readName(h.read)}</a>
            {text(h)}
          </span>
        </li>
      {/each}
    </ul>
    <div class="grid content-start gap-3">
      {#each moves as m (m.to)}
        {#if list(m.to).length > 0}
          <div>
            <h2 class="text-base font-bold">{m.title}</h2>
            {#each list(m.to).slice(0, most) as line (line)}<p class="soft">{line}</p>{/each}
          </div>
        {/if}
      {/each}
    </div>
  </section>
{/if}
