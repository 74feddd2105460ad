import type { Row } from '$lib/api/client';

// Which reads answer a cue: the table's own lists, as the server scores them.

/** A defender's answer: to do what the cue is about, whichever it is. */
export const guarded = 'guarded';
const job = [{ read: guarded, secondCue: { id: '', if: '', topic: '' }, say: '', part: '' }];

/** The answers of a place in a rep: its first two are named so, a defender is one, and every other
 * role is that of the third one. */
const answersOf = (row: Row, role: string | undefined): Row['cutter'] => {
  if (role === 'screener') return row.screener;
  if (role === 'defender') return job;
  return role === 'cutter' || role === undefined ? row.cutter : row.third;
};

/** The read that answers a cue first. */
export const firstOf = (row: Row, role: string | undefined): string => answersOf(row, role)[0]?.read ?? '';

/** Every read that answers a cue, each once, the first one first. */
export const readsFor = (row: Row, role: string | undefined): string[] => [
  ...new Set(answersOf(row, role).map((a) => a.read))
];

/** The second cues that can be noted with a rep. */
export function signsOf(row: Row, role: string | undefined) {
  const signs = answersOf(row, role).map((a) => a.secondCue);
  return signs.filter((s, i) => s.id && signs.findIndex((t) => t.id === s.id) === i);
}

/** Whether a read answers a cue: it is in the list, and no second cue that was noted speaks against
 * it. */
export function rightFor(row: Row, role: string | undefined, read: string | undefined, noted = ''): boolean {
  const topic = [...row.cutter, ...row.screener, ...row.third].find((a) => a.secondCue.id === noted)
    ?.secondCue.topic;
  return answersOf(row, role).some(
    (a) =>
      a.read === read &&
      (!a.secondCue.id || !noted || a.secondCue.id === noted || a.secondCue.topic !== topic)
  );
}
