import type { Schemas } from '$lib/api/client';
import { session } from '$lib/state/session.svelte';

type Duty = NonNullable<Schemas['Block']['staff']>[number];

const word = (d: Duty) => session.catalogue?.jobs.find((j) => j.id === d.job)?.name ?? d.job;
const list = (words: string[]) =>
  words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`;

/** Everybody's jobs in a block, name by name: "passes and logs at basket 2". */
export function dutiesOf(staff: Duty[] | undefined): { who: string; does: string }[] {
  const all = staff ?? [];
  return [...new Set(all.map((d) => d.who))].map((who) => {
    const own = all.filter((d) => d.who === who);
    const where = [...new Set(own.map((d) => d.basket ?? 0))];
    const at = (n: number) => {
      const words = list(own.filter((d) => (d.basket ?? 0) === n).map(word));
      return n ? `${words} at basket ${n}` : words;
    };
    return { who, does: where.map(at).join(', ') };
  });
}
