<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import { session } from '$lib/state/session.svelte';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import { tapeOf } from '$lib/parts/glyphs';

  // The second opinion: the right answers and whatever else comes open, played against the
  // defenders, the most open first. The upright line is where shot and defender meet.
  let { options, right }: { options: Schemas['Option'][]; right: string[] } = $props();

  const most = 6;
  const widest = 1.2; // s at which a bar is full, as far as the engine counts
  const even = 0.05; // s that round to nothing

  const open = $derived(
    options.filter((o) => !right.includes(o.read) && o.pass !== 'none' && o.window > even)
  );
  const shown = $derived.by(() => {
    const more = open.slice(0, Math.max(0, most - right.length));
    return options.filter((o) => right.includes(o.read) || more.includes(o));
  });
  const late = $derived(
    shown.filter((o) => right.includes(o.read)).every((o) => o.pass === 'none' || o.window < even)
  );

  const half = (seconds: number) => Math.min(50, (Math.abs(seconds) / widest) * 50);

  function said(o: Schemas['Option']): string {
    if (o.pass === 'none') return 'no way through';
    if (Math.abs(o.window) < even) return 'even';
    if (o.window <= -widest) return 'shut';
    return `${Math.abs(o.window).toFixed(1)} s ${o.window > 0 ? 'ahead' : 'late'}`;
  }
</script>

{#if shown.length}
  <section aria-label="Who comes open">
    <h2 class="text-base">Played out: is the shot ahead of the defense?</h2>
    <ul class="quiet-list grid gap-1">
      {#each shown as o (o.read)}
        <li
          class="grid grid-cols-[26px_7rem_1fr_6.5rem] items-center gap-2"
          class:font-bold={right.includes(o.read)}
        >
          <ReadGlyph read={o.read} size={26} />
          <span>{session.readName(o.read)}</span>
          <span class="relative h-3 bg-[var(--seam)]">
            {#if o.pass !== 'none'}
              <span
                class="absolute inset-y-0"
                style:background={o.window > 0 ? tapeOf(o.read) : 'var(--line)'}
                style:width={`${half(o.window)}%`}
                style:left={o.window > 0 ? '50%' : `${50 - half(o.window)}%`}
              ></span>
            {/if}
            <span class="absolute -inset-y-1 left-1/2 border-l-2 border-[var(--ink)]"></span>
          </span>
          <span class="soft text-right">{said(o)}{o.pass === 'skip' ? ', over the top' : ''}</span>
        </li>
      {/each}
    </ul>
    {#if late}<p class="soft small">Not counted here: who is taller, stronger or quicker.</p>{/if}
  </section>
{/if}
