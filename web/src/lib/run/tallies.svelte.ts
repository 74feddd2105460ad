import { v4 as newId } from 'uuid';
import type { Schemas } from '$lib/api/client';
import { deviceName } from './queue.svelte';

type FloorCount = Schemas['FloorCount'];
type RepEvent = Schemas['RepEvent'];

/** What is counted in a live block: one tap each, and one to take it off again. */
export class Tallies {
  private counts = $state.raw<FloorCount[]>([]);

  constructor(
    private from: {
      block: () => string | undefined;
      /** The rep that a tap is about. */
      rep: () => number;
      now: () => string;
      send: (events: RepEvent[]) => void;
    }
  ) {}

  /** Starts from what is stored. */
  take(counts: FloorCount[]) {
    this.counts = counts;
  }

  /** Adds what came from elsewhere, or was kept here and not sent. */
  hear(counts: FloorCount[]) {
    const known = new Set(this.counts.map((c) => c.id));
    this.counts = [...this.counts, ...counts.filter((c) => !known.has(c.id))];
  }

  /** A count as an event tells it. */
  apply(e: RepEvent) {
    this.hear([{ id: e.id, block: e.block ?? '', repNo: e.repNo ?? 0, what: e.what ?? '', by: e.by ?? 1 }]);
  }

  /** How many counts are known, of all blocks. */
  get size(): number {
    return this.counts.length;
  }

  /** How often something was counted in the block that is up. */
  of(what: string): number {
    const block = this.from.block();
    const sum = this.counts.filter((c) => c.block === block && c.what === what).reduce((n, c) => n + c.by, 0);
    return Math.max(0, sum);
  }

  /** Whether a rep of the block that is up has this count. */
  private newest(what: string): number {
    const block = this.from.block();
    const sums = new Map<number, number>();
    for (const c of this.counts)
      if (c.block === block && c.what === what) sums.set(c.repNo, (sums.get(c.repNo) ?? 0) + c.by);
    return Math.max(0, ...[...sums].filter(([, n]) => n > 0).map(([no]) => no));
  }

  /** Counts something for the rep that is up, or takes the newest one off. */
  add(what: string, by: 1 | -1 = 1) {
    const block = this.from.block();
    if (!block || (by < 0 && this.of(what) === 0)) return;
    const event: RepEvent = {
      id: newId(),
      kind: 'count',
      at: this.from.now(),
      device: deviceName(),
      block,
      repNo: by > 0 ? this.from.rep() : this.newest(what),
      what,
      by
    };
    this.from.send([event]);
  }
}
