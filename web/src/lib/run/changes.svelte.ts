import { v4 as newId } from 'uuid';
import type { Schemas } from '$lib/api/client';
import type { Timeline } from './timeline.svelte';

type FloorChange = Schemas['FloorChange'];
type OrderRep = Schemas['OrderRep'];
export type Presence = Schemas['Present']['state'];

/** Who came or went and which sides were swapped, with what the server has not heard yet. */
export class Changes {
  /** What was changed here and is not in the run yet. */
  private waiting = $state.raw<FloorChange[]>([]);

  constructor(
    private of: {
      line: Timeline;
      run: () => Schemas['Run'] | null;
      /** After which rep of the current block something happens. */
      after: () => number;
      send: (change: FloorChange) => void;
    }
  ) {}

  take(waiting: FloorChange[]) {
    this.waiting = waiting;
  }

  /** How everybody takes part. */
  presence = $derived.by(() => {
    const is = new Map<string, Presence>(this.of.run()?.presence.map((p) => [p.player, p.state]) ?? []);
    for (const c of this.waiting) if (c.player && c.state) is.set(c.player, c.state);
    return is;
  });

  /** The rotation of the current block. */
  order = $derived.by<OrderRep[]>(() => {
    const current = this.of.line.current;
    const swaps = this.waiting.filter((c) => c.kind === 'swap' && c.block === current?.block.id);
    return (current?.order?.reps ?? []).map((r) => {
      const turned = swaps.filter((c) => r.no > c.afterRep).length % 2 === 1;
      return turned ? { ...r, side: r.side === 'left' ? 'right' : 'left' } : r;
    });
  });

  /** Until the order is dealt anew, the reps of who has left are passed over. */
  isMissing(r: OrderRep): boolean {
    if (this.waiting.length === 0) return false;
    const live = this.of.line.current?.live;
    return [r.cutter, r.screener, ...(r.others ?? []).map((o) => o.player)].some((id) => {
      const state = this.presence.get(id);
      return state === 'left' || state === 'hurt' || (live && state === 'limited');
    });
  }

  /** Says that something changes from now on. */
  add(what: Pick<FloorChange, 'kind' | 'player' | 'state'>) {
    const current = this.of.line.current;
    const running = current?.order && this.of.line.clock?.status === 'open';
    const change: FloorChange = {
      id: newId(),
      at: this.of.line.time(),
      ...(current?.order && (running || what.kind === 'swap') ? { block: current.block.id } : {}),
      afterRep: current?.order ? this.of.after() : 0,
      ...what
    };
    this.waiting = [...this.waiting, change];
    this.of.send(change);
  }
}
