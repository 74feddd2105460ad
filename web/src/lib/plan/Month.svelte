<script lang="ts">
  import { page } from '$app/state';
  import type { Schemas } from '$lib/api/client';
  import { at, dayAt, hourOf, now } from '$lib/state/teamclock';
  import Button from '$lib/ui/Button.svelte';

  // A month of practices; the address says which month.
  let { team, rows }: { team: string; rows: Schemas['PracticeSummary'][] } = $props();

  const first = $derived.by(() => {
    const asked = /^(\d{4})-(\d{2})$/.exec(page.url.searchParams.get('month') ?? '');
    return asked
      ? dayAt(Number(asked[1]), Number(asked[2]) - 1, 1)
      : dayAt(now().getFullYear(), now().getMonth(), 1);
  });
  const week = 7;
  const most = 6; // weeks that a month touches
  /** The day a week begins on where the browser is from, 0 for Sunday, which an American calendar begins with. */
  function firstDay(): number {
    const locale = new Intl.Locale(navigator.language) as Intl.Locale & {
      getWeekInfo?: () => { firstDay: number };
    };
    return (locale.getWeekInfo?.().firstDay ?? week) % week;
  }
  const days = $derived.by(() => {
    const start = 1 - ((first.getDay() - firstDay() + week) % week);
    const all = Array.from({ length: week * most }, (_, i) =>
      dayAt(first.getFullYear(), first.getMonth(), start + i)
    );
    return all.slice(0, all.findLastIndex((d) => d.getMonth() === first.getMonth()) + 1);
  });
  const of = (d: Date) => rows.filter((p) => at(p.startsAt).toDateString() === d.toDateString());
  const monthBy = (n: number) => {
    const d = dayAt(first.getFullYear(), first.getMonth() + n, 1);
    return `?view=month&month=${d.getFullYear()}-${String(d.getMonth() + 1).padStart(2, '0')}`;
  };
  const names = $derived(
    days.slice(0, week).map((d) => d.toLocaleDateString(undefined, { weekday: 'short' }))
  );
</script>

<div class="my-4 flex items-center gap-3">
  <Button href={monthBy(-1)} aria-label="Month before">←</Button>
  <h2 class="grow text-center">{first.toLocaleDateString(undefined, { month: 'long', year: 'numeric' })}</h2>
  <Button href={monthBy(1)} aria-label="Month after">→</Button>
</div>
<div class="sheet grid grid-cols-7" role="group" aria-label="Month">
  {#each names as n (n)}<span class="border-b border-seam p-2 text-center text-sm text-soft">{n}</span>{/each}
  {#each days as d (d.getTime())}
    <div
      class={['min-h-20 border-b border-seam p-1', d.getMonth() !== first.getMonth() && 'bg-board text-soft']}
    >
      <span class="numeral px-1 text-sm">{d.getDate()}</span>
      {#each of(d) as p (p.id)}
        <a
          class={[
            'mt-1 block border-l-4 bg-floor p-1 text-xs leading-tight no-underline hover:bg-mark/30',
            p.status === 'done' ? 'border-line' : 'border-mark'
          ]}
          href={p.status === 'done' ? `/${team}/run/${p.id}/review` : `/${team}/plan/${p.id}`}
        >
          <b class="numeral">{hourOf(p.startsAt)}</b>
          <span class="max-sm:hidden">{p.drills[0] ?? ''}</span>
        </a>
      {/each}
    </div>
  {/each}
</div>
