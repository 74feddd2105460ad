import type { Schemas } from '$lib/api/client';
import { session } from '$lib/state/session.svelte';

type Goal = NonNullable<Schemas['Stage']['goal']>;
type RepEvent = Schemas['RepEvent'];

/** A goal in words: "6 makes in a row in 30 seconds". */
export function goalWords(goal: Goal): string {
  const words = session.catalogue?.goals.find((g) => g.id === goal.kind)?.name ?? '';
  return `${goal.makes} ${words}${goal.seconds ? ` in ${goal.seconds} seconds` : ''}`;
}

/** How far somebody is toward a goal of makes, in words; of a block's shots in the order of time. */
export function toward(goal: Goal, shots: RepEvent[], player: { id: string; name: string }): string {
  const made = (s: RepEvent) => s.made === 'make';
  const own = shots.filter((s) => s.player === player.id);
  if (goal.kind === 'team') return `${shots.filter(made).length} together so far`;
  if (goal.kind === 'side') {
    const on = (side: string) => own.filter((s) => made(s) && s.side === side).length;
    return `${player.name}: ${on('right')} right, ${on('left')} left`;
  }
  let now = 0;
  let best = 0;
  for (const s of own) {
    now = made(s) ? now + 1 : 0;
    best = Math.max(best, now);
  }
  return `${player.name}: ${now} in a row, best ${best}`;
}
