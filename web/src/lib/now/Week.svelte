<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import ReadGlyph from '$lib/parts/ReadGlyph.svelte';
  import { dayOf, hourOf } from '$lib/state/teamclock';
  import { session } from '$lib/state/session.svelte';

  // The next game, the week so far, and what has not been seen for a while.
  let { team, now }: { team: string; now: Schemas['Now'] } = $props();

  const name = (id: string) => now.players.find((p) => p.id === id)?.name ?? '?';
  const shownLapsed = 6;
</script>

<section class="grid content-start gap-x-8 gap-y-6 max-md:sm:grid-cols-2 [&_h2]:mb-1" aria-label="This week">
  {#if now.game}
    <div>
      <h2>Next game</h2>
      <a class="block" href={`/${team}/games/${now.game.id}`}
        ><b>{now.game.away ? 'At' : 'Against'} {now.game.opponent}</b><br />{dayOf(now.game.startsAt)}
        <span class="numeral">{hourOf(now.game.startsAt)}</span></a
      >
      {#if !now.game.known}
        <p class="text-sm text-soft">Say there what they do on screens, and plans prepare for it.</p>
      {/if}
    </div>
  {/if}
  <div>
    <h2>This week</h2>
    <p>
      <b class="numeral text-2xl leading-none">{now.week.practices}</b> practices,
      <b class="numeral">{now.week.minutes}</b> min in seven days
    </p>
    {#if now.week.maxPractices}
      <p class="text-sm text-soft">
        At most {now.week.maxPractices} a week for this age. Your own league's rule comes first.
      </p>
    {/if}
  </div>
  {#if now.tags?.length}
    <div>
      <h2>Most common this week</h2>
      <ol class="m-0 list-none p-0">
        {#each now.tags.slice(0, 3) as c (c.id)}
          <li class="flex justify-between border-b border-seam py-1">
            {session.tag(c.id)} <span class="numeral">{c.count}</span>
          </li>
        {/each}
      </ol>
    </div>
  {/if}
  {#if now.lapsed.length}
    <div>
      <h2>Had it, not seen lately</h2>
      <ul class="m-0 list-none p-0">
        {#each now.lapsed.slice(0, shownLapsed) as s (s.player + s.read)}
          <li class="flex items-center gap-2 py-1">
            <ReadGlyph read={s.read} size={22} />
            {name(s.player)}: {session.readName(s.read)}
          </li>
        {/each}
      </ul>
      {#if now.lapsed.length > shownLapsed}
        <p class="text-sm text-soft">and {now.lapsed.length - shownLapsed} more</p>
      {/if}
    </div>
  {/if}
</section>
