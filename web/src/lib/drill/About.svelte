<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import CueGlyph from '$lib/parts/CueGlyph.svelte';
  import { goalWords } from '$lib/parts/goals';
  import GuidedCard from './GuidedCard.svelte';
  import { session } from '$lib/state/session.svelte';
  import Button from '$lib/ui/Button.svelte';

  // What a coach says, watches and needs at a stage of a drill.
  let { drill, stage, team }: { drill: Schemas['Drill']; stage: Schemas['Stage']; team: string } = $props();
</script>

<h2>Say before it starts</h2>
<ul class="m-0 pl-4 list-[square]">
  {#each stage.rules as r (r)}<li>{r}</li>{/each}
</ul>
{#if stage.switches?.length}
  <p class="soft">
    On: {stage.switches
      .map((id) => session.catalogue?.switches.find((w) => w.id === id)?.name.toLowerCase() ?? id)
      .join(', ')}.
  </p>
{/if}
{#if stage.target}<p>First to <b class="numeral">{stage.target}</b> points.</p>{/if}
{#if stage.goal}<p>Goal: <b>{goalWords(stage.goal)}</b>.</p>{/if}
{#if drill.then?.length && session.rung(stage.rung)?.live}
  <p class="soft">
    Goes on with: {drill.then.map((l) => session.actionName(l.action).toLowerCase()).join(', ')}.
  </p>
{/if}
<p class="soft">{drill.rotation.say}</p>
<h2>Watch</h2>
<ul class="m-0 pl-4 list-[square]">
  {#each drill.watch as w (w)}<li>{w}</li>{/each}
</ul>
{#if drill.fixes.length}
  <p class="soft">
    Good for: {drill.fixes.map((f) => session.tag(f).toLowerCase()).join(', ')}.
  </p>
{/if}
{#if stage.coachShows}<GuidedCard {stage} />{/if}
<p class="soft">Helpers: {drill.helpers.toLowerCase()}. {drill.equipment.join('. ')}.</p>
{#if drill.workout}
  <h2>{2 * drill.workout.reduce((n, s) => n + s.answers.length, 0)} shots, both sides</h2>
  <dl class="grid grid-cols-[auto_1fr] gap-y-1 gap-x-3">
    {#each drill.workout as set (set.cue)}
      <dt class="flex gap-1 items-center font-bold">
        <CueGlyph cue={set.cue} size={26} />{session.cueName(set.cue)}
      </dt>
      <dd>{set.answers.map((a) => session.readName(a).toLowerCase()).join(', ')}</dd>
    {/each}
  </dl>
{/if}
<p class="links no-print flex flex-wrap gap-2 my-3 mx-0">
  {#if drill.action}<Button href={`/${team}/teach?action=${drill.action}`}>Teach its reads</Button>{/if}
  <Button href={`/${team}/teach/tape${drill.action ? `?action=${drill.action}` : ''}`}>Tape its spots</Button>
</p>
