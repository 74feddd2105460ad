<script lang="ts">
  import { session } from '$lib/state/session.svelte';
  import { outcomes } from '$lib/run/words';
  import type { BenchLog } from './bench.svelte';
  import Button from '$lib/ui/Button.svelte';

  // What was noted last, how it ended, and what is counted for the team.
  let { log }: { log: BenchLog } = $props();

  const last = $derived(log.log.at(-1));
  const who = (id: string) => log.bench?.players.find((p) => p.id === id);
</script>

<footer
  class="grid grid-cols-[minmax(0,_1fr)_auto] gap-y-2 gap-x-4 items-center pt-2 pr-4 pb-3 pl-4 bg-sheet border-t border-t-seam max-sm:grid-cols-[minmax(0,_1fr)] max-sm:py-2 max-sm:px-3"
>
  <div class="flex items-center gap-3 min-h-12" role="status">
    {#if last}
      <span class="numeral text-2xl">{who(last.player)?.jersey}</span>
      <span
        >{who(last.player)?.name}: {session.cueName(last.cue).toLowerCase()},
        {last.correct
          ? session.readName(last.expected).toLowerCase()
          : `did not ${session.readName(last.expected).toLowerCase()}`}</span
      >
      <span
        class="text-(--tape-green) font-bold text-lg [&.wrong]:text-(--tape-orange)"
        class:wrong={!last.correct}
        aria-hidden="true">{last.correct ? '✓' : '✕'}</span
      >
    {:else}<span class="soft">Tap what they showed, then who it was.</span>{/if}
  </div>
  {#if last}
    <div class="ends flex gap-2 flex-wrap" role="group" aria-label="How it ended">
      {#if log.mine(last)}
        {#each outcomes as o (o.id)}
          <Button
            class="py-0 px-4 font-normal min-h-13"
            aria-pressed={last.outcome === o.id}
            onclick={() => log.end(last, o.id)}>{o.name}</Button
          >
        {/each}
      {/if}
      <Button class="py-0 px-4 font-normal min-h-13" onclick={() => log.undo()}>Undo</Button>
    </div>
  {/if}
  <div
    class="counts col-span-full grid grid-cols-[repeat(4,_minmax(0,_1fr))] gap-2 max-sm:grid-cols-[repeat(2,_minmax(0,_1fr))]"
    role="group"
    aria-label="Counted for the team"
  >
    {#each log.counts as c (c.id)}
      <span class="grid grid-cols-[minmax(0,_1fr)_52px]">
        <button
          class="add min-h-16 border-2 border-line bg-transparent text-inherit cursor-pointer leading-[1.1]"
          onclick={() => log.count(c.id, 1)}><b class="numeral text-xl mr-1">{c.count}</b> {c.name}</button
        >
        <button
          class="min-h-16 border-2 border-line bg-transparent text-inherit cursor-pointer leading-[1.1] border-l-0 text-xl disabled:text-line"
          aria-label={`One less: ${c.name}`}
          disabled={c.count <= 0}
          onclick={() => log.count(c.id, -1)}>−</button
        >
      </span>
    {/each}
  </div>
</footer>
