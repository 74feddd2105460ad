import type { Judgement } from '$lib/api/client';

const names: Record<Judgement['verdict'], string> = {
  has: 'has it',
  'not-yet': 'not yet',
  'too-close': 'too close to call',
  'not-enough': 'not enough reps',
  lapsed: 'had it'
};

export function verdictName(v: Judgement['verdict']): string {
  return names[v];
}

const relative = new Intl.RelativeTimeFormat(undefined, { numeric: 'auto' });
const units: [Intl.RelativeTimeFormatUnit, number][] = [
  ['day', 86_400_000],
  ['hour', 3_600_000],
  ['minute', 60_000]
];

/** How long ago a moment was, in ms since 1970: "5 minutes ago". */
export function ago(ms: number): string {
  const gone = Date.now() - ms;
  const fits = units.find(([, size]) => gone >= size);
  return fits ? relative.format(-Math.floor(gone / fits[1]), fits[0]) : 'just now';
}

export function clockText(ms: number): string {
  const s = Math.max(0, Math.floor(ms / 1000));
  return `${Math.floor(s / 60)}:${String(s % 60).padStart(2, '0')}`;
}
