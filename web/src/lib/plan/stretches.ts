import type { Block } from '$lib/api/client';

/** A block with its place on the sheet: blocks at baskets 1 and 2 run side by side. */
export interface Placed {
  block: Block;
  start: number; // minutes
  end: number;
}

const length = (b: Block) => (Number.isFinite(b.minutes) ? Math.max(0, b.minutes) : 0);

/** Where every block lies. The core says the same; this moves under the finger. */
export function place(blocks: Block[]): Placed[] {
  const clock = [0, 0, 0];
  return blocks.map((block) => {
    const basket = block.basket;
    const start = basket === 0 ? Math.max(clock[1]!, clock[2]!) : clock[basket]!;
    const end = start + length(block);
    if (basket === 0) clock[1] = clock[2] = end;
    else clock[basket] = end;
    return { block, start, end };
  });
}

/** The index before which a block goes that is dropped at a minute. */
export function dropIndex(placed: Placed[], minute: number): number {
  const at = placed.findIndex((p) => minute < (p.start + p.end) / 2);
  return at < 0 ? placed.length : at;
}

/** A stretch of the sheet: one block, or what runs at the two baskets side by side. */
export type Stretch = { whole: Placed } | { baskets: [Placed[], Placed[]] };

export function stretches(blocks: Block[]): Stretch[] {
  const out: Stretch[] = [];
  for (const p of place(blocks)) {
    const basket = p.block.basket;
    const last = out.at(-1);
    if (basket === 0) out.push({ whole: p });
    else if (last && 'baskets' in last) last.baskets[basket - 1]!.push(p);
    else out.push({ baskets: basket === 1 ? [[p], []] : [[], [p]] });
  }
  return out;
}
