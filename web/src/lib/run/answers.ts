import type { Row } from '$lib/api/client';
import { session } from '$lib/state/session.svelte';
import { firstOf, guarded, readsFor, rightFor } from './right';

// What can be tapped for a rep: what was seen, in one touch.

/** One thing that can be tapped. */
export interface Answer {
  key: string;
  read: string;
  cue: string;
  /** The read that answers the cue first. */
  expected: string;
  label: string;
  /** The first answer of its cue. */
  main: boolean;
  /** Whether the read is one of the cue's answers. */
  right: boolean;
}

/** What is logged for a shot that went in. */
export const make = 'make';

/** What can be tapped in a drill that teaches no read: the shot went in, or not. */
export const shots: Answer[] = [
  { key: 'make', read: make, cue: 'none', expected: make, label: 'Made', main: true, right: true },
  { key: 'miss', read: '', cue: 'none', expected: make, label: 'Missed', main: false, right: false }
];

const answer = (row: Row, role: string, read: string, label: string, main: boolean): Answer => ({
  key: `${row.cue}-${read}-${label}`,
  read,
  cue: row.cue,
  expected: firstOf(row, role),
  label,
  main,
  right: rightFor(row, role, read)
});

/** The right answers to a cue, the first one first. */
const rights = (row: Row, role: string) =>
  readsFor(row, role).map((read, i) => answer(row, role, read, '', i === 0));

/** What can be done wrong on a cue. */
export function wrongs(rows: Row[], row: Row, role: string): Answer[] {
  const others = [...new Set(rows.map((r) => firstOf(r, role)))].filter((r) => !rightFor(row, role, r));
  return [
    ...others.map((r) => answer(row, role, r, '', false)),
    answer(row, role, '', role === 'defender' ? 'Not done' : 'No read', false)
  ];
}

/** Where the answer was named before the rep: done clean, or not. */
export function named(row: Row, role: string, dealt: string | undefined): Answer[] {
  const read = (role === 'cutter' && dealt) || firstOf(row, role);
  return [answer(row, role, read, 'Clean', true), answer(row, role, '', 'Not clean', false)];
}

/** Where the cue is shown: every right answer, and what can be done wrong. */
export const shown = (rows: Row[], row: Row, role: string) => [
  ...rights(row, role),
  ...wrongs(rows, row, role)
];

/** On live rungs a read names its usual cue: the one it answers first, else the first it answers. A
 * defender is asked for the cue itself. */
export function live(rows: Row[], role: string): Answer[] {
  if (role === 'defender') return rows.map((r) => answer(r, role, guarded, session.cueName(r.cue), true));
  const asked = rows.map((r) => firstOf(r, role));
  const twice = (read: string) => asked.indexOf(read) !== asked.lastIndexOf(read);
  // One read for two cues says which one was seen.
  const label = (r: Row, read: string) =>
    twice(read) ? `${session.readName(read)}, ${session.cueName(r.cue).toLowerCase()}` : '';
  const first = rows.map((r, i) => answer(r, role, asked[i]!, label(r, asked[i]!), true));
  const taken = new Set(first.map((a) => a.read));
  const more = rows.flatMap((r) => rights(r, role)).filter((a) => !taken.has(a.read) && taken.add(a.read));
  return [...first, ...more.map((a) => ({ ...a, main: false }))];
}
