<script lang="ts">
  import type { Draft } from './draft.svelte';
  import Note from '$lib/ui/Note.svelte';

  // Minutes, and what they bring, always in view.
  let { draft }: { draft: Draft } = $props();

  const sheet = $derived(draft.sheet);
  const broken = $derived(sheet?.rules.filter((r) => !r.kept).length ?? 0);
  const most = (of: number[]) => Math.max(0, ...of);
  const percent = (share: number) => Math.round(100 * share);
  const big = 'numeral text-[1.7rem] leading-none';
</script>

{#if sheet}
  <section aria-label="What the plan gives" class="grid gap-1">
    <p class="text-lg leading-tight font-bold">{sheet.moves}</p>
    <div class="flex flex-wrap gap-x-6 gap-y-1">
      <p>
        <b class={big}>{sheet.used}</b> of <b class={big}>{draft.input.minutes}</b> min
        <span class="soft">{sheet.left < 0 ? `${-sheet.left} too many` : `${sheet.left} left`}</span>
      </p>
      {#if sheet.countedMinutes > 0}
        <p>
          <b class={big}>{percent(sheet.liveMinutes / sheet.countedMinutes)}</b>% live
          <b class={big}>{percent(sheet.waiting)}</b>% in line
        </p>
        <p>
          <b class={big}>{sheet.rules.length - broken}</b> of <b class={big}>{sheet.rules.length}</b>
          <span class="soft">rules kept</span>
        </p>
      {/if}
      <p>
        <b class={big}>{most(sheet.load.map((l) => l.hardMinutes))}</b>
        <span class="soft">live min and</span>
        <b class={big}>{most(sheet.load.map((l) => l.jumps))}</b>
        <span class="soft">jumps at most for one player</span>
      </p>
    </div>
  </section>
  {#each sheet.warnings.filter((w) => !w.block) as w (w.text)}
    <Note warn>{w.text}</Note>
  {/each}
{/if}
