import type { Schemas } from '$lib/api/client';
import { holds } from '$lib/state/asked';

type Entry = Schemas['GlossaryEntry'];

/** The entries that contain every word that was typed, those whose name begins with it first. */
export function found(entries: Entry[], asked: string): Entry[] {
  const start = asked.trim().toLowerCase().split(/\s+/)[0] ?? '';
  const first = (e: Entry) => (e.word.toLowerCase().startsWith(start) ? 0 : 1);
  return entries.filter((e) => holds(`${e.word} ${e.means}`, asked)).sort((a, b) => first(a) - first(b));
}
