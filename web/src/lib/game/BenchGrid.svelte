<script lang="ts">
  import Select from 'flowbite-svelte/Select.svelte';
  import { session } from '$lib/state/session.svelte';
  import CueGlyph from '$lib/parts/CueGlyph.svelte';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import { tapeOf } from '$lib/parts/glyphs';
  import type { BenchLog } from './bench.svelte';
  import Button from '$lib/ui/Button.svelte';

  // The first tap: what they showed, whose read it was, and whether it was made.
  let { log }: { log: BenchLog } = $props();

  let screener = $state(false);
  const table = $derived(log.table);
  const ball = $derived(table?.family.id === 'ball');
  const role = $derived<'cutter' | 'screener'>(screener ? 'screener' : 'cutter');
  const is = (cue: string, correct: boolean) =>
    log.seen?.cue === cue && log.seen.correct === correct && log.seen.role === role;
</script>

<section class="flex flex-col gap-2 min-w-0" aria-label="What they showed">
  <div class="about grid grid-cols-[minmax(0,_1fr)_auto] gap-2 max-sm:grid-cols-[minmax(0,_1fr)]">
    <Select
      placeholder=""
      class="min-h-14 text-base"
      aria-label="Action"
      value={table?.action}
      onchange={(e) => (log.action = e.currentTarget.value)}
    >
      {#each log.tables as t (t.action)}<option value={t.action}>{session.actionName(t.action)}</option
        >{/each}
    </Select>
    <div role="radiogroup" aria-label="Whose read" class="flex">
      <Button
        class="rounded-none -ml-[-2px] min-h-14"
        role="radio"
        aria-checked={!screener}
        onclick={() => (screener = false)}>{ball ? 'Handler' : 'Cutter'}</Button
      >
      <Button
        class="rounded-none -ml-[-2px] min-h-14"
        role="radio"
        aria-checked={screener}
        onclick={() => (screener = true)}>Screener</Button
      >
    </div>
  </div>
  <div class="rows grid gap-2 flex-1 [grid-auto-rows:minmax(64px,_1fr)] max-h-136">
    {#each table?.rows ?? [] as row (row.cue)}
      {@const read = screener ? row.second : row.first}
      <div
        class="grid grid-cols-[9.5rem_minmax(0,_1fr)_6.2rem] gap-2 max-sm:grid-cols-[6.6rem_minmax(0,_1fr)_4.6rem]"
        role="group"
        aria-label={session.cueName(row.cue)}
      >
        <span class="cue flex items-center gap-2 font-bold max-sm:text-sm max-sm:gap-1"
          ><CueGlyph cue={row.cue} size={40} />{session.cueName(row.cue)}</span
        >
        <button
          class="read aria-pressed:bg-mark! aria-pressed:text-[color:#07090b]! aria-pressed:border-mark! flex items-center gap-3 border-3 border-seam rounded-sm bg-sheet text-ink font-bold cursor-pointer min-w-0 border-l-12 border-l-(--tape) justify-start pl-4 aria-pressed:[&_svg]:text-[color:#07090b]!"
          style:--tape={tapeOf(read)}
          aria-pressed={is(row.cue, true)}
          aria-label={`${session.cueName(row.cue)}: made the read, ${session.readName(read).toLowerCase()}`}
          onclick={() => log.see({ cue: row.cue, role, read, correct: true })}
        >
          <ReadGlyph {read} size={40} /><span>{session.readName(read)}</span>
        </button>
        <button
          class="aria-pressed:bg-mark! aria-pressed:text-[color:#07090b]! aria-pressed:border-mark! flex items-center justify-center gap-3 border-3 border-seam rounded-sm bg-sheet font-bold cursor-pointer min-w-0 [border-style:dashed] text-soft aria-pressed:[&_svg]:text-[color:#07090b]!"
          aria-pressed={is(row.cue, false)}
          aria-label={`${session.cueName(row.cue)}: did not make the read`}
          onclick={() => log.see({ cue: row.cue, role, read, correct: false })}>did not</button
        >
      </div>
    {/each}
  </div>
</section>
