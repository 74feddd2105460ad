import type { Painted } from './lab.svelte';

/** The names of cues and reads, as the session has them. */
export interface Names {
  cueName(id: string): string;
  readName(id: string): string;
}

/** How clear a cue is, in words: of what, or until none is. Empty where nothing is to be said. */
export function clearOf({ exact, cue }: Painted, names: Names): string {
  if (exact?.state === 'close') return exact.note ?? '';
  if (exact?.next === 'none') return 'until no cue is clear';
  if (exact && exact.next !== cue) return `clear of ${names.cueName(exact.next).toLowerCase()}`;
  return 'clear';
}

/** Whether a cue is there whose margin can be shown. */
export const hasMargin = (p: Painted) => p.cue !== 'undecided' && p.cue !== 'none';

/**
 * What a screen reader says of an answer: the cue, the read, and how clear it is. Nothing while somebody is on the
 * move, so that a drag is one sentence and not a hundred.
 */
export function spoken(p: Painted, names: Names): string {
  const { exact, row, cue } = p;
  if (!exact) return '';
  if (exact.state === 'open') return `Can't tell yet. ${exact.note}`;
  const read = row.cutterRead ? names.readName(row.cutterRead) : '';
  if (exact.state === 'none') return [names.cueName('none'), read, exact.note].filter(Boolean).join('. ');
  const margin = hasMargin(p) ? `${p.margin.toFixed(1)} feet, ${clearOf(p, names)}.` : '';
  return [`${names.cueName(cue)}.`, read && `${read}.`, margin].filter(Boolean).join(' ');
}
