import type { Schemas } from '$lib/api/client';

type Entry = Schemas['GlossaryEntry'];

/** The entries that contain every word that was typed, those whose name begins with it first. */
export function found(entries: Entry[], asked: string): Entry[] {
  const words = asked.toLowerCase().split(/\s+/).filter(Boolean);
  const first = (e: Entry) => (e.word.toLowerCase().startsWith(words[0] ?? '') ? 0 : 1);
  return entries
    .filter((e) => words.every((w) => `${e.word} ${e.means}`.toLowerCase().includes(w)))
    .sort((a, b) => first(a) - first(b));
}
