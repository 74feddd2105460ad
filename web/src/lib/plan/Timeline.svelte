<script lang="ts">
  import Scrolls from '$lib/parts/Scrolls.svelte';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import { session } from '$lib/state/session.svelte';
  import { dateName, weekdayName } from './days';
  import type { SeasonDay } from './season.svelte';

  // The weeks ahead: a row for each action, a column for each practice and game.
  let { days, install }: { days: SeasonDay[]; install: string[] } = $props();

  const tasks = {
    teach: { mark: 'G', says: 'guided' },
    live: { mark: 'L', says: 'live for the first time' },
    refresh: { mark: 'R', says: 'live again, before the players lose it' }
  } as const;

  const itemOf = (d: SeasonDay, id: string) => d.items.find((i) => i.action === id);
  const readsOf = (id: string) => days.flatMap((d) => d.items).find((i) => i.action === id)?.reads ?? [];
</script>

<Scrolls label="Weeks" class="sheet relative w-[fit-content] max-w-full">
  <table class="border-collapse">
    <thead>
      <tr>
        <th
          class="py-1 px-2 text-center border-l border-l-seam h-[2.9rem] min-w-[3.4rem] font-normal text-sm leading-[1.15] first:border-l-0 first:text-left first:min-w-44 first:pl-3 first:sticky first:left-0 first:bg-sheet"
          scope="col">Action and its reads</th
        >
        {#each days as d (d.date + d.game)}
          <th
            class="py-1 px-2 text-center border-l border-l-seam h-[2.9rem] min-w-[3.4rem] font-normal text-sm leading-[1.15] [&.game]:[background:color-mix(in_srgb,_var(--mark)_22%,_var(--sheet))] first:border-l-0 first:text-left first:min-w-44 first:pl-3 first:sticky first:left-0 first:bg-sheet [&.game]:font-bold"
            scope="col"
            class:game={d.game}
          >
            {d.game ? 'Game' : weekdayName(d.date)}<span class="numeral block whitespace-nowrap"
              >{dateName(d.date)}</span
            >
          </th>
        {/each}
      </tr>
    </thead>
    <tbody>
      {#each install as id (id)}
        <tr class="border-t border-t-seam">
          <th
            class="py-1 px-2 text-center border-l border-l-seam h-[2.9rem] min-w-[3.4rem] first:border-l-0 first:text-left first:min-w-44 first:pl-3 first:sticky first:left-0 first:bg-sheet"
            scope="row"
            >{session.actionName(id)}
            <span class="flex gap-px mt-px" aria-hidden="true"
              >{#each readsOf(id) as r (r)}<ReadGlyph read={r} size={20} />{/each}</span
            ></th
          >
          {#each days as d (d.date + d.game)}
            {@const item = itemOf(d, id)}
            <td
              class="py-1 px-2 text-center border-l border-l-seam h-[2.9rem] min-w-[3.4rem] [&.game]:[background:color-mix(in_srgb,_var(--mark)_22%,_var(--sheet))] first:border-l-0 first:text-left first:min-w-44 first:pl-3 first:sticky first:left-0 first:bg-sheet"
              class:game={d.game}
            >
              {#if item}
                <span
                  class={[
                    `task ${item.task}`,
                    '[&.task]:[display:inline-grid] [&.task]:place-items-center [&.task]:w-8 [&.task]:h-8 [&.task]:font-numeral [&.task]:font-semibold [&.task]:border-3 [&.task]:border-(--tape-blue) [&.task]:text-(--tape-blue) [&.live]:bg-(--tape-blue) [&.live]:text-sheet [&.refresh]:rounded-full [&.refresh]:[border-style:dashed] [&.refresh]:[border-width:2px]'
                  ]}
                  title={item.by ? `due by ${dateName(item.by)}` : undefined}
                  ><span aria-hidden="true">{tasks[item.task].mark}</span><span class="visually-hidden"
                    >{tasks[item.task].says}</span
                  ></span
                >
              {:else if d.ready.includes(id)}<span class="font-bold text-sm">ready</span>
              {:else if d.missing.includes(id)}<span class="font-bold text-sm text-alarm">not yet</span>{/if}
            </td>
          {/each}
        </tr>
      {/each}
    </tbody>
  </table>
</Scrolls>
<p class="soft flex gap-6 flex-wrap mt-2">
  {#each Object.entries(tasks) as [id, t] (id)}
    <span
      ><span
        class={[
          `task ${id}`,
          '[&.task]:[display:inline-grid] [&.task]:place-items-center [&.task]:font-numeral [&.task]:font-semibold [&.task]:border-3 [&.task]:border-(--tape-blue) [&.task]:text-(--tape-blue) [&.live]:bg-(--tape-blue) [&.live]:text-sheet [&.refresh]:rounded-full [&.refresh]:[border-style:dashed] [&.refresh]:[border-width:2px] [&.task]:w-[1.6rem] [&.task]:h-[1.6rem] [&.task]:text-sm'
        ]}
        aria-hidden="true">{t.mark}</span
      >
      {t.says}</span
    >
  {/each}
</p>
