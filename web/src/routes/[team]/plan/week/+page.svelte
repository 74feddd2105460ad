<script lang="ts">
  import { page } from '$app/state';
  import { goto } from '$app/navigation';
  import { api, ask, type Player, type Schemas } from '$lib/api/client';
  import Pages from '$lib/plan/Pages.svelte';
  import { dateName, plus, weekdayName } from '$lib/plan/days';

  // What a week's practices ask of every player, against the limits of the age.
  const path = { teamId: page.params.team ?? '' };
  const from = $derived(page.url.searchParams.get('from') ?? undefined);
  let week = $state.raw<Schemas['Week'] | null>(null);
  let players = $state.raw<Player[]>([]);
  let failed = $state('');

  $effect(() => {
    load(from);
  });
  async function load(from: string | undefined) {
    try {
      const loads = api.GET('/api/teams/{teamId}/loads', { params: { path, query: { from } } });
      const squad = api.GET('/api/teams/{teamId}/players', { params: { path } });
      [week, players] = await Promise.all([ask(loads), ask(squad)]);
      failed = '';
    } catch (e) {
      failed = e instanceof Error ? e.message : String(e);
    }
  }

  const minute = 60;
  const rated = $derived(week?.players.some((p) => p.total.rated > 0) ?? false);
  /** A change as it is written: "+45 %". */
  const percent = (share: number) => {
    const n = Math.round(100 * share);
    return `${n > 0 ? '+' : n < 0 ? '−' : '±'}${Math.abs(n)} %`;
  };
  const days = $derived(Array.from({ length: 7 }, (_, i) => plus(week?.from ?? '2023-01-02', i)));
  const longest = $derived(Math.max(1, ...(week?.days.map((d) => d.minutes) ?? [])));
  const most = $derived((week?.limits.maxHours ?? 0) * minute);
  const player = (id: string) => players.find((p) => p.id === id);
  const walk = (days: number) => week && goto(`?from=${plus(week.from, days)}`);

  function keys(e: KeyboardEvent) {
    if (e.ctrlKey || e.metaKey || e.altKey) return;
    if (e.key === 'ArrowLeft') walk(-7);
    if (e.key === 'ArrowRight') walk(7);
  }
</script>

<svelte:window onkeydown={keys} />

{#snippet amount(d: Schemas['DayLoad'], of: number)}
  {#if d.minutes > 0}
    <span class="numeral big">{Math.round(d.minutes)}</span>
    <span class="numeral soft">{Math.round(d.hardMinutes)} · {d.jumps}</span>
    <span class="rail" aria-hidden="true"
      ><span class="all" style:width={`${Math.min(1, d.minutes / of) * 100}%`}
        ><span class="hard" style:width={`${(d.hardMinutes / d.minutes) * 100}%`}></span></span
      ></span
    >
  {/if}
{/snippet}

<Pages here="week" />
{#if failed}
  <p role="alert" class="problem">{failed}</p>
  <a class="tape plain" href="?">To this week</a>
{:else if !week}
  <p role="status" class="soft">Loading the week…</p>
{:else}
  <div class="page-head">
    <h1>Week of {dateName(week.from)}</h1>
    <button class="tape plain no-print" onclick={() => walk(-7)}>The week before</button>
    <button class="tape plain no-print" onclick={() => walk(7)}>The week after</button>
    <p class="key soft">
      <span class="numeral big">min</span> of practice, then <span class="numeral">live min · jumps</span>
    </p>
  </div>
  {#each week.warnings as w (w.text)}
    <p class="warn">{w.text}</p>
  {/each}
  <div class="scroll sheet">
    <table>
      <thead>
        <tr>
          <th scope="col">Player</th>
          {#each days as d (d)}
            <th scope="col">{weekdayName(d)} <span class="soft">{dateName(d)}</span></th>
          {/each}
          <th scope="col" class="total">Week</th>
          <th scope="col">Usual week</th>
          {#if rated}<th scope="col">Minutes × effort</th>{/if}
          <th scope="col">Practices</th>
          <th scope="col">Rest days</th>
        </tr>
      </thead>
      <tbody>
        {#each week.players as p (p.player)}
          <tr class:past={p.past.length > 0}>
            <th scope="row"
              ><span class="numeral">{player(p.player)?.jersey}</span>
              {player(p.player)?.name ?? 'a player who left'}</th
            >
            {#each p.days as d, i (i)}<td>{@render amount(d, longest)}</td>{/each}
            <td class="total">{@render amount(p.total, most || p.total.minutes)}</td>
            <td>
              {#if p.back}back after a break
              {:else if p.usual.minutes > 0}<span class="numeral">{Math.round(p.usual.minutes)}</span>
                <span class="numeral soft">{percent(p.change)}</span>{/if}
            </td>
            {#if rated}<td>
                {#if p.total.rated > 0}<span class="numeral">{Math.round(p.total.rated)}</span>{/if}
              </td>{/if}
            <td class="numeral">{p.practices}</td>
            <td class="numeral">{p.restDays}</td>
          </tr>
        {/each}
      </tbody>
    </table>
  </div>
  <p class="soft limits">
    For {week.limits.name}: a practice of up to {week.limits.maxMinutes} min, {week.limits.maxPerWeek} a week,
    {week.limits.maxHours} h of organized play a week, {week.limits.restDays}
    {week.limits.restDays === 1 ? 'rest day' : 'rest days'}. {week.limits.source}. Your federation's, league's
    and school's rules come first; set them in
    <a href={`/${path.teamId}/settings`}>Settings</a>. A usual week is the mean of the four before. Practices
    that are done count as they were run, the others as planned; games and other teams are not in it.
  </p>
{/if}

<style>
  .key {
    margin-left: auto;
  }
  .scroll {
    overflow-x: auto;
  }
  table {
    width: 100%;
    border-collapse: collapse;
    table-layout: fixed;
    min-width: 60rem;
  }
  th,
  td {
    padding: 0.3rem 0.6rem;
    text-align: left;
    vertical-align: top;
    height: 2.6rem;
    border-left: 1px solid var(--seam);
  }
  tr > :first-child {
    border-left: 0;
    white-space: nowrap;
    position: sticky;
    left: 0;
    background: var(--sheet);
  }
  tbody tr {
    border-top: 1px solid var(--seam);
  }
  thead th {
    vertical-align: bottom;
    height: auto;
    line-height: 1.15;
  }
  tbody th {
    vertical-align: middle;
    font-weight: 400;
  }
  tbody th .numeral {
    display: inline-block;
    min-width: 1.6rem;
    text-align: right;
    margin-right: 0.3rem;
  }
  thead .soft {
    display: block;
    font-weight: 400;
    font-size: 0.85rem;
  }
  td.numeral {
    vertical-align: middle;
  }
  .big {
    font-size: 1.25rem;
    line-height: 1.1;
  }
  td .soft {
    font-size: 0.9rem;
    margin-left: 0.25rem;
    white-space: nowrap;
  }
  .total {
    border-left: 3px solid var(--line);
  }
  .past th {
    box-shadow: inset 6px 0 0 var(--tape-orange);
  }
  .rail {
    display: block;
    height: 6px;
    min-width: 4rem;
    background: color-mix(in srgb, var(--seam) 50%, transparent);
  }
  .all,
  .hard {
    display: block;
    height: 100%;
  }
  .all {
    background: color-mix(in srgb, var(--tape-blue) 40%, var(--sheet));
  }
  .hard {
    background: var(--tape-blue);
  }
  .limits {
    margin-top: 0.75rem;
    max-width: 62rem;
    font-size: 0.92rem;
  }
</style>
