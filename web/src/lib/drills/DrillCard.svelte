<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import Sketch from '$lib/court/Sketch.svelte';
  import Ladder from '$lib/parts/Ladder.svelte';
  import { session } from '$lib/state/session.svelte';
  import { actionOf, fewest, hasHelper, leftOut, levels } from './library';

  // One drill of the library: its ladder, what it is about and what it needs.
  let { drill, team, own }: { drill: Schemas['Drill']; team: string; own: boolean } = $props();

  const action = $derived(actionOf(session.catalogue, drill));
  const players = $derived(fewest(drill));
  const facts = $derived(
    [
      drill.level ? levels[drill.level] : '',
      action?.name ?? '',
      `from ${players} ${players === 1 ? 'player' : 'players'}`,
      `${Math.round(drill.stages[0]?.seconds ?? 0)} s a rep`,
      hasHelper(drill) ? 'helper' : ''
    ].filter(Boolean)
  );
</script>

<li class="sheet">
  <a
    href={`/${team}/drills/${drill.id}`}
    class="group grid h-full grid-cols-[auto_1fr] gap-4 px-4 py-3.5 no-underline"
  >
    <Ladder stages={drill.stages} />
    <div>
      <h3 class="text-lg font-bold group-hover:underline">
        {drill.name}{#if own}<span class="soft ml-2 text-base font-normal">ours</span>{/if}
      </h3>
      <p class="leading-snug">{drill.about}</p>
      {#if leftOut(session.catalogue, drill, session.leftOut(team))}
        <p class="mt-1 font-bold">Left out at this age</p>
      {/if}
      <p class="soft mt-1.5 flex items-center gap-2.5 text-sm">
        {#if action}<Sketch sketch={action.sketch ?? null} size={54} />{/if}
        <span>{facts.join(' · ')}</span>
      </p>
    </div>
  </a>
</li>
