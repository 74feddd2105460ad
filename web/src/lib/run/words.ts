import type { Schemas } from '$lib/api/client';

/** How a rep can end, in the order of how often it does. */
export const outcomes: { id: string; name: string }[] = [
  { id: 'made', name: 'Scored' },
  { id: 'missed', name: 'Missed' },
  { id: 'no-shot', name: 'No shot' },
  { id: 'foul', name: 'Fouled' },
  { id: 'turnover', name: 'Lost it' }
];

const groups: Record<string, string[]> = {
  screener: ['screen', 'spacing'],
  cutter: ['read', 'timing', 'use']
};

/** The corrections that fit a role. */
export function tagsOf(role: string | undefined, all: Schemas['Correction'][]) {
  const fit = groups[role === 'screener' ? 'screener' : 'cutter'] ?? [];
  return all.filter((c) => fit.includes(c.group));
}
