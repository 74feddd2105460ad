<script lang="ts">
  import { page } from '$app/state';
  import type { Player } from '$lib/api/client';
  import { session } from '$lib/state/session.svelte';
  import { dayOf, hourOf } from '$lib/state/teamclock';
  import { stretches } from '$lib/plan/stretches';
  import PrintedBlock from '$lib/plan/PrintedBlock.svelte';
  import Button from '$lib/ui/Button.svelte';

  let { data } = $props();
  // The run sheet on one page of A4 or Letter, for the coach or for the assistants.
  const team = page.params.team ?? '';
  const id = page.params.practice ?? '';
  const helping = $derived(page.url.searchParams.get('for') === 'assistants');
  const practice = $derived(data.practice);
  const players = $derived(data.players);

  const here = $derived(players.filter((p) => practice.present.includes(p.id)));
  const away = $derived(players.filter((p) => !practice.present.includes(p.id)));
  const load = $derived(new Map(practice.sheet.load.map((l) => [l.player, l])));
  const parts = $derived(stretches(practice.blocks ?? []));
  const names = (list: Player[]) => list.map((p) => `${p.jersey} ${p.name}`).join(', ');
  const timedOf = (block: string) => practice.sheet.blocks.find((t) => t.id === block);

  // The more there is on the page the smaller the type, so that it stays one page. Smaller
  // type has more on a line as well as more lines, so that the size goes by the square root.
  const full = 11; // pt
  const least = 6.5; // pt
  const room = 38; // lines at the full size
  const perLine = 92; // letters at the full size
  const wrapped = (text: string) => Math.ceil(text.length / perLine);
  function linesOf(blocks: { id: string; kind: string }[]): number {
    return blocks.reduce((n, b) => {
      const brief = timedOf(b.id)?.brief;
      if (b.kind !== 'drill' || !brief) return n + 1.7;
      return n + (helping ? 5 : 3.2 + wrapped(Object.values(brief).join(' ') + ' '.repeat(40)));
    }, 0);
  }
  const size = $derived.by(() => {
    const body = parts
      .map((s) =>
        'whole' in s
          ? linesOf([s.whole.block])
          : 1.8 * Math.max(...s.baskets.map((e) => linesOf(e.map((p) => p.block))))
      )
      .reduce((a, b) => a + b, 0);
    const sheet = practice.sheet;
    const goals = wrapped(
      (sheet?.moves ?? '') + (sheet?.goals ?? []).map((g) => g.why + ' '.repeat(12)).join('')
    );
    const foot = helping ? 6 : 6 + goals + here.length / 2 + 1.5 * (sheet?.warnings.length ?? 0);
    return Math.max(least, Math.min(full, full * Math.sqrt(room / (body + foot))));
  });
</script>

<div class="bar no-print flex gap-2 flex-wrap mb-4">
  <Button main onclick={() => print()}>Print</Button>
  <Button
    class="[&[aria-current]]:[box-shadow:inset_0_-6px_0_var(--mark)]"
    aria-current={!helping ? 'page' : undefined}
    href="?for=coach">For the coach</Button
  >
  <Button
    class="[&[aria-current]]:[box-shadow:inset_0_-6px_0_var(--mark)]"
    aria-current={helping ? 'page' : undefined}
    href="?for=assistants">For assistants</Button
  >
  <Button href={`/${team}/plan/${id}`}>Back to the plan</Button>
</div>
<article
  class="paper max-w-192 p-6 print:max-w-none print:p-0 [&>.block]:border-b [&>.block]:border-b-seam"
  style:font-size={`${size}pt`}
>
  <header class="flex justify-between items-baseline border-b-2 border-b-ink mb-[0.5em]">
    <h1 class="text-[1.5em]">
      {session.view?.teams.find((t) => t.id === team)?.name}, {dayOf(practice.startsAt)}
    </h1>
    <p>
      <span class="numeral">{hourOf(practice.startsAt)}</span>,
      <span class="numeral">{practice.minutes}</span> min{helping ? ', for assistants' : ''}
    </p>
  </header>
  {#if practice.note}<p class="mb-[0.5em] whitespace-pre-wrap">{practice.note}</p>{/if}
  {#each parts as part, i (i)}
    {#if 'whole' in part}
      <PrintedBlock
        placed={part.whole}
        startsAt={practice.startsAt}
        timed={timedOf(part.whole.block.id)}
        {players}
        {helping}
      />
    {:else}
      <div class="grid grid-cols-[1fr_1fr] [gap:0.6em] border-b border-b-seam">
        {#each part.baskets as side, e (e)}
          <div>
            <p class="soft">Basket {e + 1}</p>
            {#each side as p (p.block.id)}
              <PrintedBlock
                placed={p}
                startsAt={practice.startsAt}
                timed={timedOf(p.block.id)}
                {players}
                {helping}
              />
            {/each}
          </div>
        {/each}
      </div>
    {/if}
  {/each}
  <footer class="grid [gap:0.3em] mt-[0.6em] text-[0.9em]">
    {#if away.length}<p><span class="soft">Away</span> {names(away)}</p>{/if}
    {#if practice.limited.length}
      <p>
        <span class="soft">Not in live blocks</span>
        {names(players.filter((p) => practice.limited.includes(p.id)))}
      </p>
    {/if}
    {#if !helping}
      <p>
        <b>{practice.sheet.moves}</b>
        {#each practice.sheet.goals as g (g.role + g.read)}
          {session.readName(g.read)}: {g.why}
        {/each}
      </p>
      <ul class="quiet-list [columns:2]" aria-label="What each gets: cuts, screens, live minutes, jumps">
        {#each here as p (p.id)}
          {@const l = load.get(p.id)}
          <li>
            <span class="numeral">{p.jersey}</span>
            {p.name}:
            <span class="numeral">{l?.cutter ?? 0}</span> cuts,
            <span class="numeral">{l?.screener ?? 0}</span> screens,
            <span class="numeral">{l?.hardMinutes ?? 0}</span> live min,
            <span class="numeral">{l?.jumps ?? 0}</span> jumps
          </li>
        {/each}
      </ul>
      {#each practice.sheet.warnings as w (w.block + w.text)}<p>{w.text} {w.source}.</p>{/each}
    {/if}
    <p>
      Whoever is hurt leaves the drill. A knock on the head: out at once, and back only when a licensed health
      professional clears it, under your local law. Water whenever somebody asks.
    </p>
  </footer>
</article>
