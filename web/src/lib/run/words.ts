import type { Schemas } from '$lib/api/client';

/** How a rep can end, in the order of how often it does. */
export const outcomes: { id: string; name: string }[] = [
  { id: 'made', name: 'Scored' },
  { id: 'missed', name: 'Missed' },
  { id: 'no-shot', name: 'No shot' },
  { id: 'foul', name: 'Fouled' },
  { id: 'turnover', name: 'Lost it' }
];

/** The tags by group, in the order of play. */
export function tagGroups(all: Schemas['Tag'][]) {
  return [...new Set(all.map((t) => t.group))].map((group) => ({
    group,
    tags: all.filter((t) => t.group === group)
  }));
}
