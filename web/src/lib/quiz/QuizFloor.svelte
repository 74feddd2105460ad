<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import CourtFloor from '$lib/court/CourtFloor.svelte';
  import Floor from '$lib/court/Floor.svelte';
  import { along, placeOf, sy } from '$lib/court/geometry';
  import type { Asking } from './asking.svelte';

  // The question on the floor. A ring is around the one whose read is asked. The picture
  // goes around where the attackers are, which says nothing about the answer.
  let { asking, pack }: { asking: Asking; pack: Schemas['QuizPack'] } = $props();

  const item = $derived(asking.item);
  const scene = $derived(pack.scenes.find((s) => s.id === item?.card.action));
  const play = $derived(item?.play ?? null);
  const me = $derived.by(() => {
    if (!item) return null;
    const track = play?.tracks.find((t) => t.who === item.who);
    return track ? along(track.keys, asking.player.time) : placeOf(item.snapshot, item.who);
  });
  const round = 5; // feet kept free round them
  const frame = $derived.by(() => {
    if (!item || !scene) return { top: 30 };
    const s = item.snapshot;
    const at = scene.participants.filter((p) => p.guards === 'none').map((p) => placeOf(s, p.id));
    const x = [...at, s.from, s.to].map((p) => p.x);
    const edge = pack.lines.halfWidth + 2;
    return {
      left: Math.max(-edge, Math.min(...x, -3) - round),
      right: Math.min(edge, Math.max(...x, 3) + round),
      top: Math.max(24, ...[...at, s.from, s.to].map((p) => p.y + round))
    };
  });
</script>

<CourtFloor lines={pack.lines} label={scene?.name ?? 'The floor'} {...frame}>
  {#if item && scene && me}
    <circle class="me" cx={me.x} cy={sy(me)} r="1.9" />
    <Floor people={scene.participants} snapshot={item.snapshot} {play} time={asking.player.time} />
  {/if}
</CourtFloor>

<style>
  .me {
    fill: color-mix(in srgb, var(--mark) 35%, transparent);
    stroke: var(--mark);
    stroke-width: 0.4;
  }
</style>
