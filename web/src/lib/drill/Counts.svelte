<script lang="ts">
  import type { Schemas } from '$lib/api/client';

  // What every player gets out of an order list.
  let {
    order,
    own,
    jersey,
    name,
    defended
  }: {
    order: Schemas['Order'];
    own: Schemas['Position'][];
    jersey: (id: string) => string;
    name: (id: string) => string;
    defended: boolean;
  } = $props();
</script>

<details class="no-print">
  <summary class="min-h-11 cursor-pointer"
    >Counts per player: they differ by <b class="numeral">{order.spread}</b> at most in a position</summary
  >
  <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
  <div class="scroll overflow-x-auto" role="region" tabindex="0" aria-label="Counts per player">
    <table class="border-collapse w-full">
      <thead>
        <tr>
          <th class="text-left font-normal text-sm py-[0.15rem] px-2 border-t border-t-seam">Player</th>
          <th class="text-left font-normal text-sm py-[0.15rem] px-2 border-t border-t-seam"
            >{own[0]?.name}</th
          >
          {#if own.length > 1}<th
              class="text-left font-normal text-sm py-[0.15rem] px-2 border-t border-t-seam"
              >{own[1]?.name}</th
            >{/if}
          {#if own.length > 2}<th
              class="text-left font-normal text-sm py-[0.15rem] px-2 border-t border-t-seam">Other places</th
            >{/if}
          {#if defended}<th class="text-left font-normal text-sm py-[0.15rem] px-2 border-t border-t-seam"
              >Defends</th
            >{/if}
          <th class="text-left font-normal text-sm py-[0.15rem] px-2 border-t border-t-seam">Right</th><th
            class="text-left font-normal text-sm py-[0.15rem] px-2 border-t border-t-seam">Left</th
          ><th class="text-left font-normal text-sm py-[0.15rem] px-2 border-t border-t-seam">Partners</th><th
            class="text-left font-normal text-sm py-[0.15rem] px-2 border-t border-t-seam">Touches</th
          ><th class="text-left font-normal text-sm py-[0.15rem] px-2 border-t border-t-seam">Sprints</th><th
            class="text-left font-normal text-sm py-[0.15rem] px-2 border-t border-t-seam">Jumps</th
          >
        </tr>
      </thead>
      <tbody>
        {#each order.counts as c (c.player)}
          <tr>
            <th class="text-left font-normal text-sm py-[0.15rem] px-2 border-t border-t-seam" scope="row"
              ><span class="numeral">{jersey(c.player)}</span> {name(c.player)}</th
            >
            <td class="py-[0.15rem] px-2 border-t border-t-seam font-numeral text-base">{c.cutter}</td>
            {#if own.length > 1}<td class="py-[0.15rem] px-2 border-t border-t-seam font-numeral text-base"
                >{c.screener}</td
              >{/if}
            {#if own.length > 2}<td class="py-[0.15rem] px-2 border-t border-t-seam font-numeral text-base"
                >{c.others}</td
              >{/if}
            {#if defended}<td class="py-[0.15rem] px-2 border-t border-t-seam font-numeral text-base"
                >{c.defense}</td
              >{/if}
            <td class="py-[0.15rem] px-2 border-t border-t-seam font-numeral text-base">{c.right}</td><td
              class="py-[0.15rem] px-2 border-t border-t-seam font-numeral text-base">{c.left}</td
            ><td class="py-[0.15rem] px-2 border-t border-t-seam font-numeral text-base">{c.partners}</td><td
              class="py-[0.15rem] px-2 border-t border-t-seam font-numeral text-base">{c.touches}</td
            ><td class="py-[0.15rem] px-2 border-t border-t-seam font-numeral text-base">{c.sprints}</td><td
              class="py-[0.15rem] px-2 border-t border-t-seam font-numeral text-base">{c.jumps}</td
            >
          </tr>
        {/each}
      </tbody>
    </table>
  </div>
</details>
