<script lang="ts">
  import Scrolls from '$lib/parts/Scrolls.svelte';
  import { page } from '$app/state';
  import { goto } from '$app/navigation';
  import type { Schemas } from '$lib/api/client';
  import Pages from '$lib/plan/Pages.svelte';
  import { dateName, plus, weekdayName } from '$lib/plan/days';
  import Button from '$lib/ui/Button.svelte';
  import Note from '$lib/ui/Note.svelte';

  // What a week's practices ask of every player, against the limits of the age.
  let { data } = $props();
  const week = $derived(data.week);
  const players = $derived(data.players);

  const minute = 60;
  const rated = $derived(week.players.some((p) => p.total.rated > 0));
  /** A change as it is written: "+45%". */
  const percent = (share: number) => {
    const n = Math.round(100 * share);
    return `${n > 0 ? '+' : n < 0 ? '−' : '±'}${Math.abs(n)}%`;
  };
  const days = $derived(Array.from({ length: 7 }, (_, i) => plus(week.from, i)));
  const longest = $derived(Math.max(1, ...week.days.map((d) => d.minutes)));
  const most = $derived(week.limits.maxHours * minute);
  const player = (id: string) => players.find((p) => p.id === id);
  const walk = (days: number) => goto(`?from=${plus(week.from, days)}`);

  function keys(e: KeyboardEvent) {
    if (e.ctrlKey || e.metaKey || e.altKey) return;
    if (e.key === 'ArrowLeft') void walk(-7);
    if (e.key === 'ArrowRight') void walk(7);
  }
</script>

<svelte:window onkeydown={keys} />

{#snippet amount(d: Schemas['DayLoad'], of: number)}
  {#if d.minutes > 0}
    <span class="numeral big text-lg leading-[1.1]">{Math.round(d.minutes)}</span>
    <span class="numeral soft whitespace-nowrap">{Math.round(d.hardMinutes)} · {d.jumps}</span>
    <span class="block h-[6px] min-w-16 bg-seam/50" aria-hidden="true"
      ><span
        class="all block h-full [background:color-mix(in_srgb,_var(--tape-blue)_40%,_var(--sheet))]"
        style:width={`${Math.min(1, d.minutes / of) * 100}%`}
        ><span class="block h-full bg-(--tape-blue)" style:width={`${(d.hardMinutes / d.minutes) * 100}%`}
        ></span></span
      ></span
    >
  {/if}
{/snippet}

<Pages here="week" />
<div class="page-head">
  <h1>Week of {dateName(week.from)}</h1>
  <Button onclick={() => walk(-7)}>The week before</Button>
  <Button onclick={() => walk(7)}>The week after</Button>
  <p class="soft ml-auto">
    <span class="numeral big text-lg leading-[1.1]">min</span> of practice, then
    <span class="numeral">live min · jumps</span>
  </p>
</div>
{#each week.warnings as w (w.text)}
  <Note warn>{w.text}</Note>
{/each}
<Scrolls label="Days of the week" class="sheet">
  <table class="w-full border-collapse [table-layout:fixed] min-w-280">
    <thead>
      <tr>
        <th
          class="w-30 py-1 px-2 text-left border-l border-l-seam align-bottom h-auto leading-[1.15] first:border-l-0 first:whitespace-nowrap first:sticky first:left-0 first:bg-sheet"
          scope="col">Player</th
        >
        {#each days as d (d)}
          <th
            class="py-1 px-2 text-left border-l border-l-seam align-bottom h-auto leading-[1.15] first:border-l-0 first:whitespace-nowrap first:sticky first:left-0 first:bg-sheet"
            scope="col">{weekdayName(d)} <span class="soft block font-normal text-xs">{dateName(d)}</span></th
          >
        {/each}
        <th
          scope="col"
          class="py-1 px-2 text-left align-bottom h-auto leading-[1.15] border-l-3 border-l-line first:border-l-0 first:whitespace-nowrap first:sticky first:left-0 first:bg-sheet"
          >Week</th
        >
        <th
          class="py-1 px-2 text-left border-l border-l-seam align-bottom h-auto leading-[1.15] first:border-l-0 first:whitespace-nowrap first:sticky first:left-0 first:bg-sheet"
          scope="col">Usual week</th
        >
        {#if rated}<th
            class="py-1 px-2 text-left border-l border-l-seam align-bottom h-auto leading-[1.15] first:border-l-0 first:whitespace-nowrap first:sticky first:left-0 first:bg-sheet"
            scope="col">Minutes × effort</th
          >{/if}
        <th
          class="py-1 px-2 text-left border-l border-l-seam align-bottom h-auto leading-[1.15] first:border-l-0 first:whitespace-nowrap first:sticky first:left-0 first:bg-sheet"
          scope="col">Practices</th
        >
        <th
          class="py-1 px-2 text-left border-l border-l-seam align-bottom h-auto leading-[1.15] first:border-l-0 first:whitespace-nowrap first:sticky first:left-0 first:bg-sheet"
          scope="col">Rest days</th
        >
      </tr>
    </thead>
    <tbody>
      {#each week.players as p (p.player)}
        <tr class="border-t border-t-seam" class:past={p.past.length > 0}>
          <th
            class="py-1 px-2 text-left h-[2.6rem] border-l border-l-seam align-middle font-normal first:border-l-0 first:whitespace-nowrap first:sticky first:left-0 first:bg-sheet [.past_&]:[box-shadow:inset_6px_0_0_var(--tape-orange)]"
            scope="row"
            ><span class="numeral inline-block min-w-[1.6rem] text-right mr-1"
              >{player(p.player)?.jersey}</span
            >
            {player(p.player)?.name ?? 'a player who left'}</th
          >
          {#each p.days as d, i (i)}<td
              class="py-1 px-2 text-left align-top h-[2.6rem] border-l border-l-seam first:border-l-0 first:whitespace-nowrap first:sticky first:left-0 first:bg-sheet"
              >{@render amount(d, longest)}</td
            >{/each}
          <td
            class="py-1 px-2 text-left align-top h-[2.6rem] border-l-3 border-l-line first:border-l-0 first:whitespace-nowrap first:sticky first:left-0 first:bg-sheet"
            >{@render amount(p.total, most || p.total.minutes)}</td
          >
          <td
            class="py-1 px-2 text-left align-top h-[2.6rem] border-l border-l-seam first:border-l-0 first:whitespace-nowrap first:sticky first:left-0 first:bg-sheet"
          >
            {#if p.back}back after a break
            {:else if p.usual.minutes > 0}<span class="numeral">{Math.round(p.usual.minutes)}</span>
              <span class="numeral soft text-sm ml-1 whitespace-nowrap">{percent(p.change)}</span>{/if}
          </td>
          {#if rated}<td
              class="py-1 px-2 text-left align-top h-[2.6rem] border-l border-l-seam first:border-l-0 first:whitespace-nowrap first:sticky first:left-0 first:bg-sheet"
            >
              {#if p.total.rated > 0}<span class="numeral">{Math.round(p.total.rated)}</span>{/if}
            </td>{/if}
          <td
            class="numeral py-1 px-2 text-left h-[2.6rem] border-l border-l-seam first:border-l-0 first:whitespace-nowrap first:sticky first:left-0 first:bg-sheet align-middle"
            >{p.practices}</td
          >
          <td
            class="numeral py-1 px-2 text-left h-[2.6rem] border-l border-l-seam first:border-l-0 first:whitespace-nowrap first:sticky first:left-0 first:bg-sheet align-middle"
            >{p.restDays}</td
          >
        </tr>
      {/each}
    </tbody>
  </table>
</Scrolls>
<p class="soft mt-3 max-w-248 text-sm">
  For {week.limits.name}: a practice of up to {week.limits.maxMinutes} min, {week.limits.maxPerWeek} a week,
  {week.limits.maxHours} h of organized play a week, {week.limits.restDays}
  {week.limits.restDays === 1 ? 'rest day' : 'rest days'}. {week.limits.source}. Your federation's, league's
  and school's rules come first; set them in
  <a href={`/${page.params.team}/settings`}>Settings</a>. A usual week is the mean of the four before.
  Practices that are done count as they were run, the others as planned; games and other teams are not in it.
</p>
