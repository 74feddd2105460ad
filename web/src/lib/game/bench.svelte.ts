import { v4 as newId } from 'uuid';
import { api, ask, Refusal, type Schemas } from '$lib/api/client';
import { forgetOthers, orKept } from '$lib/state/device';
import { deviceName, Queue } from '$lib/run/queue.svelte';
import { follow } from '$lib/run/stream';

type RepEvent = Schemas['RepEvent'];
type Table = Schemas['BenchTable'];

/** What the first tap says: which coverage, whose read, correct or not. */
export interface Seen {
  cue: string;
  role: 'cutter' | 'screener';
  read: string;
  correct: boolean;
}

/** One thing that stands in the log. */
export interface Noted {
  id: string;
  player: string;
  cue: string;
  expected: string;
  correct: boolean;
  outcome: string;
  action: string;
  role: string;
}

/** The log of a bench: two taps a read, kept on the device and sent when it can be. */
export class BenchLog {
  bench = $state.raw<Schemas['Bench'] | null>(null);
  failed = $state('');
  /** The action the taps are about, by family. */
  action = $state('');
  seen = $state.raw<Seen | null>(null);
  player = $state('');
  readonly queue: Queue;
  /** What was tapped in this page or another tab, by id; the server's comes on top. */
  private own = $state.raw(new Map<string, RepEvent>());
  /** Counts of this page that the server's totals do not hold yet. */
  private counted = $state.raw<RepEvent[]>([]);
  private unfollow = () => {};

  constructor(
    private team: string,
    private id: string
  ) {
    this.queue = new Queue(team, id, () => {}, true);
  }

  tables = $derived(this.bench?.tables ?? []);
  table = $derived<Table | undefined>(this.tables.find((t) => t.action === this.action) ?? this.tables[0]);
  players = $derived.by(() => {
    const b = this.bench;
    if (!b) return [];
    const playing = b.players.filter((p) => b.game.terms.available.includes(p.id));
    return playing.length > 0 ? playing : b.players;
  });

  log = $derived.by<Noted[]>(() => {
    const voided = new Set([...this.own.values()].flatMap((e) => e.voids ?? []));
    const stored = (this.bench?.reps ?? []).map((r) => ({ ...r, action: r.action ?? '' }));
    const known = new Set<string>(stored.map((r) => r.id));
    const mine = [...this.own.values()]
      .filter((e) => e.kind === 'rep' && !known.has(e.id))
      .map((e) => this.noted(e));
    return [...stored, ...mine].filter((r) => !voided.has(r.id));
  });

  counts = $derived(
    (this.bench?.counts ?? []).map((c) => ({
      ...c,
      count: c.count + this.counted.filter((e) => e.what === c.id).reduce((n, e) => n + (e.by ?? 0), 0)
    }))
  );

  private noted(e: RepEvent): Noted {
    const row = this.tables.find((t) => t.action === e.action)?.rows.find((r) => r.cue === e.cue);
    const expected = (e.role === 'screener' ? row?.second : row?.first) ?? '';
    return {
      id: e.id,
      player: e.player ?? '',
      cue: e.cue ?? '',
      expected,
      correct: e.made === expected,
      outcome: e.outcome ?? '',
      action: e.action ?? '',
      role: e.role ?? ''
    };
  }

  async start() {
    this.queue.watch((events) => this.take(events));
    this.take(await this.queue.pending());
    await this.load();
    this.unfollow = follow(`/api/teams/${this.team}/games/${this.id}/live`, {
      again: () => this.load(),
      reps: () => this.load()
    });
    forgetOthers(this.id).catch(() => {});
    void this.queue.send();
  }

  private async load() {
    try {
      const path = { teamId: this.team, gameId: this.id };
      this.bench = await orKept(
        `bench ${this.id}`,
        ask(api.GET('/api/teams/{teamId}/games/{gameId}/bench', { params: { path } }))
      );
      // An answer that is still on its way says nothing about what the totals hold.
      const held = new Set(this.bench.counted);
      this.counted = this.counted.filter((e) => !held.has(e.id));
      this.failed = '';
    } catch (e) {
      if (!this.bench || (e instanceof Refusal && e.status === 404))
        this.failed = e instanceof Error ? e.message : String(e);
    }
  }

  /** Events of this page, or of another tab. */
  private take(events: RepEvent[]) {
    if (events.length === 0) return;
    this.own = new Map([...this.own, ...events.map((e) => [e.id, e] as const)]);
    const known = new Set(this.counted.map((e) => e.id));
    this.counted = [...this.counted, ...events.filter((e) => e.kind === 'count' && !known.has(e.id))];
  }

  private put(events: RepEvent[]) {
    this.take(events);
    void this.queue.put(events.map((event) => ({ event })));
  }

  private event(kind: RepEvent['kind'], more: Partial<RepEvent>): RepEvent {
    return { id: newId(), kind, at: new Date().toISOString(), device: deviceName(), ...more };
  }

  /** The first tap, or the second when a player is chosen already. */
  see(s: Seen) {
    this.seen = this.seen && JSON.stringify(this.seen) === JSON.stringify(s) ? null : s;
    this.finish();
  }

  pick(player: string) {
    this.player = this.player === player ? '' : player;
    this.finish();
  }

  private finish() {
    const s = this.seen;
    if (!s || !this.player || !this.table) return;
    this.put([
      this.event('rep', {
        action: this.table.action,
        player: this.player,
        role: s.role,
        cue: s.cue,
        made: s.correct ? s.read : ''
      })
    ]);
    this.seen = null;
    this.player = '';
  }

  count(what: string, by: 1 | -1) {
    this.put([this.event('count', { what, by })]);
  }

  private takeBack(id: string): RepEvent {
    return this.event('void', { voids: id });
  }

  undo(id = this.log.at(-1)?.id) {
    if (id) this.put([this.takeBack(id)]);
  }

  /** How it ended, as an event of its own in place of the other. */
  end(n: Noted, outcome: string) {
    const before = this.own.get(n.id);
    if (!before) return;
    const again = { ...before, id: newId(), outcome: n.outcome === outcome ? '' : outcome };
    this.put([this.takeBack(n.id), again]);
  }

  /** Whether the end of this one can still be noted here. */
  mine(n: Noted): boolean {
    return this.own.has(n.id);
  }

  leave() {
    this.unfollow();
    this.queue.stop();
  }
}
