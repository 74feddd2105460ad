import type { Schemas } from '$lib/api/client';

type Share = Schemas['GameMix']['shares'][number];

/** The shares with one of them moved: the others give or take in proportion, so that
 * all come to a hundred whole percent. */
export function moved(shares: Share[], cue: string, percent: number): Share[] {
  const rest = shares.filter((s) => s.cue !== cue);
  const before = rest.reduce((sum, s) => sum + s.percent, 0);
  const left = 100 - percent;
  const wanted = rest.map((s) => (before > 0 ? (s.percent / before) * left : left / rest.length));
  const whole = wanted.map(Math.floor);
  // What rounding leaves goes to those who lost most by it.
  const order = wanted.map((w, i) => [w - whole[i]!, i] as const).sort((a, b) => b[0] - a[0]);
  let missing = left - whole.reduce((sum, w) => sum + w, 0);
  for (const [, i] of order) if (missing-- > 0) whole[i]!++;
  let k = 0;
  return shares.map((s) => (s.cue === cue ? { cue, percent } : { cue: s.cue, percent: whole[k++]! }));
}

/** Even shares of some coverages, in whole percent. */
export function even(cues: string[]): Share[] {
  const each = Math.floor(100 / cues.length);
  return cues.map((cue, i) => ({ cue, percent: i === 0 ? 100 - each * (cues.length - 1) : each }));
}
