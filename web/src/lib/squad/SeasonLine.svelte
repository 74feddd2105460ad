<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import { dayOf } from '$lib/state/teamclock';

  // The team's season in one line: how many of the players' reads stand where, week by week.
  let { weeks }: { weeks: Schemas['SeasonWeek'][] } = $props();

  const width = 360;
  const height = 56;
  const pad = 5;
  const apart = 16; // a line of text
  const right = 270; // the lines end here, their names follow
  const top = $derived(Math.max(1, ...weeks.map((w) => Math.max(w.has, w.notYet))));
  const first = $derived(weeks[0]);
  const last = $derived(weeks.at(-1));
  const times = $derived(weeks.map((w) => Date.parse(w.from)));
  const x = (t: number) => pad + ((t - times[0]!) / Math.max(1, times.at(-1)! - times[0]!)) * (right - pad);
  const y = (n: number) => height - pad - (n / top) * (height - 2 * pad);
  const points = (of: 'has' | 'notYet') => weeks.map((w, i) => `${x(times[i]!)},${y(w[of])}`).join(' ');
  // The names of the two lines stand at their ends, apart from each other.
  const lines = $derived.by(() => {
    const [has, notYet] = [y(last?.has ?? 0), y(last?.notYet ?? 0)];
    const upper = Math.min(height - 4 - apart, Math.max(12, Math.min(has, notYet) + 4));
    const lower = Math.max(upper + apart, Math.min(height - 4, Math.max(has, notYet) + 4));
    const place = (first: boolean) => (first ? upper : lower);
    return [
      {
        of: 'notYet',
        name: 'not yet',
        stroke: 'var(--ink-soft)',
        width: 2,
        dashes: '5 4',
        at: place(notYet < has)
      },
      { of: 'has', name: 'has it', stroke: 'var(--ink)', width: 3, dashes: '', at: place(has <= notYet) }
    ] as const;
  });
  const said = $derived(weeks.map((w) => `${dayOf(w.from)}: ${w.has} and ${w.notYet}`).join('; '));
</script>

{#if first && last && weeks.length > 1}
  <section
    class="sheet mb-4 flex flex-wrap items-center justify-between gap-x-6 gap-y-1 px-4 py-2"
    aria-label="The season so far"
  >
    <p>
      Since {dayOf(first.from)}: <b>has it</b>
      <b class="numeral">{first.has}</b> → <b class="numeral">{last.has}</b>, not yet
      <b class="numeral">{first.notYet}</b> → <b class="numeral">{last.notYet}</b>
      <span class="soft">(each player on each read below)</span>
    </p>
    <svg
      viewBox={`0 0 ${width} ${height}`}
      class="h-14 w-90 max-w-full flex-none"
      role="img"
      aria-label={`Has it and not yet, week by week. ${said}`}
    >
      <line x1={pad} x2={right} y1={y(0)} y2={y(0)} stroke="var(--seam)" />
      {#each lines as l (l.of)}
        <polyline
          points={points(l.of)}
          fill="none"
          stroke={l.stroke}
          stroke-width={l.width}
          stroke-dasharray={l.dashes}
        />
        <text x={right + 8} y={l.at} fill={l.stroke} font-size="13">{l.name} {last[l.of]}</text>
      {/each}
      {#each weeks as w, i (w.from)}
        <circle cx={x(times[i]!)} cy={y(w.has)} r="3.5" fill="var(--ink)" />
      {/each}
    </svg>
  </section>
{/if}
