<script lang="ts">
  import { api, ask } from '$lib/api/client';
  import CourtFloor from '$lib/court/CourtFloor.svelte';
  import Floor from '$lib/court/Floor.svelte';
  import { Player } from '$lib/court/player.svelte';
  import { placeOf } from '$lib/court/geometry';
  import Button from '$lib/ui/Button.svelte';
  import Note from '$lib/ui/Note.svelte';

  // A word of the game as it looks on the floor: the cue of an action and its answer, played once.
  let { team, action, cue }: { team: string; action: string; cue: string } = $props();

  const player = new Player();
  const path = $derived({ teamId: team });
  const shown = $derived(load());

  async function load() {
    const lesson = await ask(
      api.GET('/api/teams/{teamId}/lesson', { params: { path, query: { action: action } } })
    );
    const at = lesson.rows.findIndex((r) => r.cue === cue);
    const snapshot = lesson.examples[at];
    const row = lesson.rows[at];
    if (!snapshot || !row) throw new Error('There is no picture of this word.');
    const play = await ask(api.POST('/api/teams/{teamId}/play', { params: { path }, body: snapshot }));
    const still = matchMedia('(prefers-reduced-motion: reduce)').matches;
    if (still) player.load(play);
    else player.start(play);
    return { lesson, snapshot, row };
  }
  $effect(() => () => player.stop());

  const room = 6; // feet kept free around the players
</script>

{#await shown}
  <p class="py-4 text-soft" role="status">Loading the picture…</p>
{:then { lesson, snapshot, row }}
  {@const top = Math.max(24, ...lesson.action.participants.map((p) => placeOf(snapshot, p.id).y + room))}
  <div class="mt-2 grid items-start gap-4 sm:grid-cols-[minmax(0,22rem)_1fr]">
    <CourtFloor lines={lesson.lines} label={`${lesson.action.name}: ${row.seen}`} {top}>
      <Floor people={lesson.action.participants} {snapshot} play={player.play} time={player.time} />
    </CourtFloor>
    <div class="grid gap-3">
      <p class="font-bold">{lesson.action.name}</p>
      <p>{row.seen}</p>
      <p class="text-lg">“{row.say}”</p>
      <p class="min-h-6 text-soft" role="status">{player.moment?.say ?? ''}</p>
      <div class="flex flex-wrap gap-2">
        <Button onclick={() => (player.running ? player.stop() : player.play && player.start(player.play))}
          >{player.running ? 'Stop' : 'Play'}</Button
        >
        <Button onclick={() => player.step()}>Step</Button>
        <Button href={`/${team}/teach?action=${action}&cue=${cue}`}>Open in Teach</Button>
      </div>
    </div>
  </div>
{:catch e}
  <Note>{e instanceof Error ? e.message : 'The picture could not be loaded.'}</Note>
{/await}
