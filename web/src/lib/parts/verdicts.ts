import type { Judgement } from '$lib/api/client';

const names: Record<Judgement['verdict'], string> = {
  has: 'has it',
  'not-yet': 'not yet',
  'too-few': 'too few to say',
  stale: 'stale'
};

export function verdictName(v: Judgement['verdict']): string {
  return names[v];
}

const day = new Intl.DateTimeFormat(undefined, { weekday: 'short', day: 'numeric', month: 'short' });
const hour = new Intl.DateTimeFormat(undefined, { hour: 'numeric', minute: '2-digit' });

export function dayOf(iso: string): string {
  return day.format(new Date(iso));
}

export function hourOf(iso: string): string {
  return hour.format(new Date(iso));
}

export function clockText(ms: number): string {
  const s = Math.max(0, Math.floor(ms / 1000));
  return `${Math.floor(s / 60)}:${String(s % 60).padStart(2, '0')}`;
}
