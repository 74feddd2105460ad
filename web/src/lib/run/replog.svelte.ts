import type { Row, Schemas } from '$lib/api/client';
import { device } from '$lib/state/device';
import { session } from '$lib/state/session.svelte';
import { make } from './answers';
import { deviceName } from './queue.svelte';
import { firstOf, rightFor } from './right';

type RepEvent = Schemas['RepEvent'];

/** One logged answer as the surface shows it. */
export interface Logged {
  event: RepEvent;
  correct: boolean;
  expected: string;
}

/** Whether what was logged is a shot, not a read. */
export const isShot = (l: Logged) => l.expected === make;

/** The reps of a practice as this device knows them: stored, heard of, and logged here a moment ago. */
export class RepLog {
  all = $state.raw<Logged[]>([]);
  /** Reps that have been taken back, so that news of them that comes late is not. */
  private gone = new Set<string>();
  /** The reps by id: news of one that is here is no news. */
  here = $derived(new Set(this.all.map((l) => l.event.id)));
  /** The newest answer of this device: what undo and tags are about. */
  last = $derived(this.all.findLast((l) => l.event.device === deviceName()));

  constructor(
    private practice: string,
    private blocks: () => Schemas['RunBlock'][]
  ) {}

  /** Takes what the server has, with what came up since the ids that were known when it was asked. */
  merge(reps: Schemas['LoggedRep'][], known: Set<string>) {
    const stored = new Set<string>(reps.map((r) => r.id));
    this.all = [
      ...reps.map((r) => this.logged(r)),
      ...this.all.filter((l) => !known.has(l.event.id) && !stored.has(l.event.id))
    ].filter((l) => !this.gone.has(l.event.id));
    this.keep(this.all, [...this.gone]);
  }

  /** Takes an event in, once. */
  apply(e: RepEvent) {
    if (e.kind === 'void') {
      if (!e.voids || this.gone.has(e.voids)) return;
      this.gone.add(e.voids);
      this.keep([], [e.voids]);
      this.all = this.all.filter((l) => l.event.id !== e.voids);
      return;
    }
    if (this.gone.has(e.id) || this.here.has(e.id)) return;
    const row = this.rowOf(e);
    const entry: Logged = row
      ? { event: e, expected: firstOf(row, e.role), correct: rightFor(row, e.role, e.made, e.secondCue) }
      : { event: e, expected: make, correct: e.made === make };
    this.all = [...this.all, entry];
    this.keep([entry]);
  }

  /** What other devices have logged or taken back. */
  hear({ reps, voided }: Schemas['FloorNews']) {
    const fresh = reps.filter((r) => !this.here.has(r.id) && !this.gone.has(r.id)).map((r) => this.logged(r));
    voided.forEach((id) => this.gone.add(id));
    this.all = [...this.all, ...fresh].filter((l) => !this.gone.has(l.event.id));
    this.keep(fresh, voided);
  }

  /** The line of the table that a rep was about. */
  rowOf(e: RepEvent): Row | undefined {
    const links = this.blocks().find((b) => b.block.id === e.block)?.links;
    const link = links?.find((l) => l.link.action === e.action) ?? links?.[0];
    return link?.rows.find((r) => r.cue === e.cue);
  }

  /** A stored rep as this surface shows it. */
  private logged(r: Schemas['LoggedRep']): Logged {
    const roles = session.catalogue?.actions.find((s) => s.id === r.action)?.roles;
    const role =
      r.role === roles?.[0] || r.expected === make ? 'cutter' : r.role === roles?.[1] ? 'screener' : r.role;
    const side = r.side === 'left' ? 'left' : 'right'; // a practice always has one
    return { event: { ...r, role, side, kind: 'rep' }, correct: r.correct, expected: r.expected };
  }

  /** Keeps reps on this device, and forgets some. */
  private keep(entries: Logged[], gone: string[] = []) {
    const rows = entries.map((entry) => ({ id: entry.event.id, practice: this.practice, entry }));
    device.shown.bulkPut(rows).catch(() => {});
    if (gone.length > 0) device.shown.bulkDelete(gone).catch(() => {});
  }
}

/** The log of a practice as it was kept on this device, in order of time. */
export async function keptLog(practice: string): Promise<Logged[]> {
  const rows = await device.shown.where({ practice }).toArray();
  return rows.map((r) => r.entry as Logged).sort((a, b) => a.event.at.localeCompare(b.event.at));
}
