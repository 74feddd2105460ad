import type { Point, Schemas } from '$lib/api/client';
import { add, arrowOf, distance, placeOf } from '$lib/court/geometry';
import { arrowed } from '$lib/court/lab.svelte';

type Snapshot = Schemas['Snapshot'];

/** What can be dragged beside a figure, in feet of the court. */
export interface Handle {
  id: string;
  /** What a screen reader says. */
  name: string;
  /** The figure it belongs to. */
  of: Point;
  at: Point;
}

const handleAt = 3.2; // ft from a figure to the handle that turns it
const stillAt = 1.6; // ft below a figure: the handle of an arrow while nobody moves

/** Where the handle stands that turns a figure toward a place. */
function toward(from: Point, to: Point): Point {
  const far = distance(from, to) || 1;
  return add(from, ((to.x - from.x) / far) * handleAt, ((to.y - from.y) / far) * handleAt);
}

/** An arrow for everybody whose movement decides; while they stand still its handle is beside the figure. */
export function arrowsOf(
  participants: Schemas['Participant'][],
  s: Snapshot
): (Handle & { still: boolean })[] {
  const v = s.velocity;
  if (!v) return [];
  return participants
    .filter((p) => arrowed.includes(p.id) && v[p.id])
    .map((p) => {
      const of = placeOf(s, p.id);
      const at = placeOf(s, arrowOf(p.id));
      const still = distance(of, at) < stillAt / 2;
      return {
        id: arrowOf(p.id),
        name: `How ${p.word.replace(/^the (.*)'s defender$/, 'the defender on the $1')} moves`,
        of,
        at: still ? add(of, 0, -stillAt) : at,
        still
      };
    });
}

/** The screener's reads that take the screener to the rim: the way out is there to be bent. */
const toRim = ['slip', 'split'];

/** The handles that turn a figure or bend a way. */
export function turnersOf(s: Snapshot, screenerRead = ''): Handle[] {
  const out: Handle[] = [];
  if (s.back) {
    out.push({ id: 'back', name: "Screener's back", of: s.screener, at: toward(s.screener, s.back) });
  }
  const looks = s.facing?.xCutter;
  if (looks) {
    out.push({ id: 'gaze', name: 'Where the defender looks', of: s.xCutter, at: toward(s.xCutter, looks) });
  }
  if (s.exit && toRim.includes(screenerRead)) {
    out.push({ id: 'exit', name: "Screener's way out", of: s.screener, at: s.exit });
  }
  return out;
}
