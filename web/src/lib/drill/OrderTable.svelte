<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import CueGlyph from '$lib/parts/CueGlyph.svelte';
  import { session } from '$lib/state/session.svelte';
  import { defense, offense } from './crew';

  // The order list rep by rep; on paper the coach's cues stand below the fold.
  let {
    order,
    own,
    stage,
    answers,
    at = $bindable(),
    jersey,
    name,
    dim
  }: {
    order: Schemas['Order'];
    own: Schemas['Position'][];
    stage: Schemas['Stage'];
    answers: Schemas['Row'][];
    at: number;
    jersey: (id: string) => string;
    name: (id: string) => string;
    /** The list is not yet that of the numbers above it. */
    dim: boolean;
  } = $props();

  const slot = $derived(order.reps[at]?.slot);
  const slotReps = $derived(order.reps.filter((r) => r.slot === slot));
</script>

{#if answers.length && stage.cues.length && !stage.defenders}
  <p
    class="hidden print:flex print:flex-wrap print:gap-y-0 print:gap-x-2 print:order-9 print:border-t print:border-t-ink print:[border-top-style:dashed] print:pt-1 print:text-[7.5pt]"
  >
    <span>Fold here. What the coach shows, and the answer:</span>
    {#each order.reps as r (r.no)}
      <span class="print:whitespace-nowrap"
        ><b class="numeral">{r.no}</b>
        {session.cueName(r.cue).toLowerCase()}: {session.readName(
          r.answer ?? answers.find((a) => a.cue === r.cue)?.cutterRead ?? ''
        )}</span
      >
    {/each}
  </p>
{/if}
<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<div
  class="scroll max-h-88 overflow-auto border-t-2 border-t-ink [&.dim]:opacity-50 print:max-h-none print:overflow-visible"
  class:dim
  role="region"
  tabindex="0"
  aria-label="Order list, scrolls"
>
  <table class="w-full border-collapse print:text-[8pt]" aria-label="Order list">
    <thead>
      <tr
        ><th
          class="sticky top-0 bg-sheet text-left text-sm text-soft p-2 print:py-0 print:px-1 print:leading-[1.25]"
          >Rep</th
        ><th
          class="sticky top-0 bg-sheet text-left text-sm text-soft p-2 print:py-0 print:px-1 print:leading-[1.25]"
          >Basket</th
        ><th
          class="sticky top-0 bg-sheet text-left text-sm text-soft p-2 print:py-0 print:px-1 print:leading-[1.25]"
          >Side</th
        >
        {#each own as p (p.id)}<th
            class="sticky top-0 bg-sheet text-left text-sm text-soft p-2 print:py-0 print:px-1 print:leading-[1.25]"
            >{p.name}</th
          >{/each}
        {#if stage.defenders > 0}<th
            class="sticky top-0 bg-sheet text-left text-sm text-soft p-2 print:py-0 print:px-1 print:leading-[1.25]"
            >Defend</th
          >{/if}
        {#if stage.cues.length && !stage.defenders}<th
            class="no-print sticky top-0 bg-sheet text-left text-sm text-soft p-2 print:py-0 print:px-1 print:leading-[1.25]"
            >{order.reps[0]?.answer ? 'Named' : 'Show'}</th
          >{/if}</tr
      >
    </thead>
    <tbody>
      {#each order.reps as r, i (r.no)}
        <tr class="print:[&.now]:bg-transparent" class:now={slotReps.includes(r)} onclick={() => (at = i)}>
          <td
            class="numeral py-1 px-2 border-t border-t-seam print:py-0 print:px-1 print:leading-[1.25] [tr.now_&]:bg-mark/28"
            >{r.no}</td
          >
          <td
            class="numeral py-1 px-2 border-t border-t-seam print:py-0 print:px-1 print:leading-[1.25] [tr.now_&]:bg-mark/28"
            >{r.basket}</td
          >
          <td
            class="py-1 px-2 border-t border-t-seam print:py-0 print:px-1 print:leading-[1.25] [tr.now_&]:bg-mark/28"
            >{r.side}</td
          >
          {#each offense(r).slice(0, own.length) as id, k (k)}
            <td
              class="py-1 px-2 border-t border-t-seam print:py-0 print:px-1 print:leading-[1.25] [tr.now_&]:bg-mark/28"
              ><b class="numeral">{jersey(id)}</b> {name(id)}</td
            >
          {/each}
          {#if stage.defenders > 0}
            <td
              class="py-1 px-2 border-t border-t-seam print:py-0 print:px-1 print:leading-[1.25] [tr.now_&]:bg-mark/28"
            >
              {#each defense(r) as id (id)}
                <span class="whitespace-nowrap mr-2"
                  ><span class="numeral">{jersey(id)}</span>
                  <span class="print:hidden">{name(id)}</span></span
                >
              {/each}
            </td>
          {/if}
          {#if stage.cues.length && !stage.defenders}
            <td
              class="no-print py-1 px-2 border-t border-t-seam print:py-0 print:px-1 print:leading-[1.25] [tr.now_&]:bg-mark/28"
              ><span class="cue inline-flex items-center gap-1"
                ><CueGlyph cue={r.cue} size={24} />{session.cueName(r.cue)}{#if r.answer}: {session.readName(
                    r.answer
                  )}{/if}</span
              ></td
            >
          {/if}
        </tr>
      {/each}
    </tbody>
  </table>
</div>
