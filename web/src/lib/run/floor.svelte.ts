import { api, ask, Refusal, type Player, type Row, type Schemas } from '$lib/api/client';
import { keep, kept, unanswered } from '$lib/state/device';
import { session } from '$lib/state/session.svelte';
import { deviceName, Queue } from './queue.svelte';

type Run = Schemas['Run'];
type RunBlock = Schemas['RunBlock'];
type OrderRep = Schemas['OrderRep'];
type RepEvent = Schemas['RepEvent'];
export type Role = 'cutter' | 'screener';
export type Lane = 1 | 2;

const minute = 60000; // ms
const longest = 6 * 60 * minute; // a practice with all its breaks (assumption)
const rememberAfter = 300; // ms
const followPause = 5000; // ms until following is tried again after a refusal
const laneKey = 'evrik.end';
const offsetKey = 'evrik.clock-offset';

/** One logged answer as the surface shows it. */
export interface Logged {
  event: RepEvent;
  right: boolean;
  expected: string;
}

/** One thing that can be tapped: what was seen, in one touch. */
export interface Answer {
  key: string;
  read: string;
  cue: string;
  /** The read that the cue asks for. */
  expected: string;
  label: string;
  main: boolean;
}

/** A practice on the floor: the clock, who is up, what is logged. */
export class Floor {
  run = $state.raw<Run | null>(null);
  clock = $state.raw<Schemas['Clock'] | null>(null);
  log = $state.raw<Logged[]>([]);
  judge = $state<Role | 'both'>('cutter');
  end = $state(0); // basket that is logged here; 0 for all
  late = $state(false);
  /** While a wrong read is being entered: the cue that was shown, once known. */
  wrong = $state<{ cue: string } | null>(null);
  private half = $state(false); // the cutter of a rep with two judged roles is done
  private skipped = $state.raw<Record<string, number>>({}); // rep to go to, by block
  private clockAt = $state(0);
  now = $state(Date.now());
  /** The end this device is at, where both are used for different things. */
  lane = $state<Lane>(localStorage.getItem(laneKey) === '2' ? 2 : 1);
  /** How far the server's clock is ahead of this device's, in ms, as last heard. */
  private offset = $state(Number(localStorage.getItem(offsetKey)) || 0);
  problem = $state('');
  readonly queue: Queue;
  private stream: EventSource | undefined;
  private again: ReturnType<typeof setTimeout> | undefined;
  private remembering: ReturnType<typeof setTimeout> | undefined;
  /** Reps that have been taken back, so that news of them that comes late is not. */
  private gone = new Set<string>();
  private acts = 0; // on the clock, ever
  private acting = 0; // of them unanswered
  private missed = false; // news of the clock while one was unanswered

  constructor(
    private team: string,
    private id: string
  ) {
    this.queue = new Queue(team, id);
  }

  private get path() {
    return { teamId: this.team, practiceId: this.id };
  }

  async load() {
    // What is logged, heard or sent while the server answers must not fall between.
    const known = new Set(this.log.map((l) => l.event.id));
    const before = await this.queue.pending();
    const acts = this.acts;
    const run = await this.fetch();
    if (!run) {
      for (const e of before) this.apply(e);
      this.queue.send();
      return;
    }
    this.run = run;
    // What the coach has done to the clock meanwhile is newer than this answer.
    if (acts === this.acts) this.hear(run.clock);
    const stored = new Set<string>(run.reps.map((r) => r.id));
    this.log = [
      ...run.reps.map((r) => this.logged(r)),
      ...this.log.filter((l) => !known.has(l.event.id) && !stored.has(l.event.id))
    ].filter((l) => !this.gone.has(l.event.id));
    for (const e of [...before, ...(await this.queue.pending())]) this.apply(e);
    this.queue.send();
  }

  private get key() {
    return `floor ${this.id}`;
  }

  /** The practice as the server has it; undefined where it does not answer and the
   * practice is here already, from before or as it was kept on this device. */
  private async fetch(): Promise<Run | undefined> {
    try {
      return await ask(
        api.GET('/api/teams/{teamId}/practices/{practiceId}/run', { params: { path: this.path } })
      );
    } catch (e) {
      if (!unanswered(e)) throw e;
      if (this.run) return undefined;
      const was = await kept<{ run: Run; log: Logged[] }>(this.key);
      if (!was) throw e;
      this.run = was.run;
      this.log = was.log;
      // The clock has gone on since it was kept.
      const c = was.run.clock;
      const since = c.running ? Math.max(0, Date.now() + this.offset - Date.parse(c.now)) : 0;
      this.setClock({ ...c, elapsedMs: c.elapsedMs + since });
      return undefined;
    }
  }

  /** Keeps the practice on this device, a little after a change and however many
   * follow. */
  remember() {
    this.remembering ??= setTimeout(() => this.rememberNow(), rememberAfter);
  }

  rememberNow() {
    clearTimeout(this.remembering);
    this.remembering = undefined;
    const { run, clock, log } = this;
    if (!run || !clock) return;
    const now = { ...clock, elapsedMs: this.ran, now: this.time() };
    keep(this.key, { run: { ...run, clock: now }, log });
  }

  private all = $derived(this.run?.blocks ?? []);
  private starts = $derived(
    new Map(this.run?.practice.sheet.blocks.map((t) => [t.id, t.start * minute]) ?? [])
  );
  private startOf = (b: RunBlock | undefined) => (b && this.starts.get(b.block.id)) ?? 0;
  /** What runs on the whole floor, and at the end this device is at. */
  blocks = $derived(
    this.all.filter(
      (b) => [0, this.lane].includes(b.block.end) || !this.beside(b).some((x) => x.block.end === this.lane)
    )
  );
  private shown = $derived(this.all.find((b) => b.block.id === this.clock?.block) ?? this.all[0]);
  /** How long the block that the clock names has run. */
  private ran = $derived(
    (this.clock?.elapsedMs ?? 0) + (this.clock?.running ? Math.max(0, this.now - this.clockAt) : 0)
  );
  /** Where in the plan the floor is, in ms from its beginning. */
  private place = $derived(this.startOf(this.shown) + this.ran);
  /** One clock runs both ends: here it is the block of this end that is due. */
  at = $derived.by(() => {
    const index = (b: RunBlock | undefined) => Math.max(0, b ? this.blocks.indexOf(b) : 0);
    if (!this.shown || this.shown.block.end === 0) return index(this.shown);
    const mine = this.beside(this.shown).filter((b) => this.blocks.includes(b));
    return index(mine.findLast((b) => this.startOf(b) <= this.place) ?? mine[0]);
  });
  current = $derived<RunBlock | undefined>(this.blocks[this.at]);
  next = $derived<RunBlock | undefined>(this.blocks[this.at + 1]);
  players = $derived(new Map<string, Player>(this.run?.players.map((p) => [p.id, p]) ?? []));
  elapsed = $derived(this.place - this.startOf(this.current));
  left = $derived((this.current?.block.minutes ?? 0) * minute - this.elapsed);

  /** Since the clock was first started, by the server's time; undefined before, and
   * when the practice is taken up again on another day. */
  private whole = $derived.by(() => {
    if (!this.clock?.began) return undefined;
    const since = this.now + this.offset - Date.parse(this.clock.began);
    return since < longest ? since : undefined;
  });
  /** What is left of the whole practice, in ms. */
  practiceLeft = $derived(
    this.whole === undefined ? undefined : (this.run?.practice.minutes ?? 0) * minute - this.whole
  );
  /** Minutes behind the plan; negative is ahead. */
  behind = $derived(this.whole === undefined ? 0 : Math.round((this.whole - this.place) / minute));

  /** The blocks that run at the two ends together with one of them. */
  private beside(b: RunBlock): RunBlock[] {
    let from = this.all.indexOf(b);
    let to = from;
    while (from > 0 && this.all[from - 1]!.block.end > 0) from--;
    while (to + 1 < this.all.length && this.all[to + 1]!.block.end > 0) to++;
    return b.block.end === 0 ? [b] : this.all.slice(from, to + 1);
  }

  takeEnd(lane: Lane) {
    this.lane = lane;
    localStorage.setItem(laneKey, String(lane));
    this.fresh();
  }

  /** Forgets what was half entered: another block is up. */
  fresh() {
    this.wrong = null;
    this.half = false;
  }

  /** The reps of this block at the ends that are logged here. */
  private order = $derived(
    (this.current?.order?.reps ?? []).filter((r) => this.end === 0 || r.basket === this.end)
  );

  rep = $derived.by<OrderRep | undefined>(() => {
    const block = this.current?.block.id;
    if (!block) return undefined;
    const to = this.skipped[block];
    if (to !== undefined) return this.order.find((r) => r.no >= to);
    const roles = this.judge === 'both' ? ['cutter', 'screener'] : [this.judge];
    const last = Math.max(
      0,
      ...this.log
        .filter((l) => l.event.block === block && roles.includes(l.event.role ?? ''))
        .filter(
          (l) => this.end === 0 || this.current?.order?.reps[(l.event.repNo ?? 1) - 1]?.basket === this.end
        )
        .map((l) => l.event.repNo ?? 0)
    );
    return this.order.find((r) => r.no > last || (r.no === last && this.half));
  });

  role = $derived<Role>(this.judge === 'both' ? (this.half ? 'screener' : 'cutter') : this.judge);
  up = $derived(
    this.rep ? this.players.get(this.role === 'cutter' ? this.rep.cutter : this.rep.screener) : undefined
  );

  private rows = $derived<Row[]>(this.current?.rows ?? []);
  /** The cue is known beforehand when a coach shows or names it. */
  known = $derived(Boolean(this.rep && this.rep.cue !== 'none'));
  private readOf = (r: Row) => (this.role === 'cutter' ? r.cutterRead : r.screenerRead);

  /** What can be tapped now. */
  answers = $derived.by<Answer[]>(() => {
    const rep = this.rep;
    if (!rep || !this.current) return [];
    const make = (read: string, row: Row, label: string, main: boolean): Answer => ({
      key: `${row.cue}-${read}-${label}`,
      read,
      cue: row.cue,
      expected: this.readOf(row),
      label,
      main
    });
    const row = this.rows.find((r) => r.cue === (this.known ? rep.cue : this.wrong?.cue));
    if (this.known && row) {
      if (!this.current.reads)
        return [make(this.readOf(row), row, 'Clean', true), make('', row, 'Not clean', false)];
      return [
        make(this.readOf(row), row, '', true),
        ...this.others(row).map((r) => make(r, row, '', false)),
        make('', row, 'No read', false)
      ];
    }
    if (this.wrong && !this.wrong.cue) return [];
    if (this.wrong && row)
      return [...this.others(row).map((r) => make(r, row, '', false)), make('', row, 'No read', false)];
    return this.rows.map((r) => make(this.readOf(r), r, '', true));
  });

  private others(row: Row): string[] {
    const right = this.readOf(row);
    return [...new Set(this.rows.map(this.readOf))].filter((r) => r !== right);
  }

  cues = $derived(this.rows.map((r) => r.cue));

  /** Logs an answer for whoever is up and goes on. */
  answer(a: Answer) {
    const rep = this.rep;
    const player = this.up;
    const block = this.current?.block.id;
    if (!rep || !player || !block) return;
    const event: RepEvent = {
      id: crypto.randomUUID(),
      kind: 'rep',
      at: this.time(),
      device: deviceName(),
      block,
      repNo: rep.no,
      player: player.id,
      role: this.role,
      side: rep.side,
      cue: a.cue,
      made: a.read,
      late: this.late
    };
    this.send([event]);
    this.late = false;
    this.wrong = null;
    this.half = this.judge === 'both' && this.role === 'cutter';
    this.skipped = without(this.skipped, block);
  }

  /** Tags the last wrong answer with a correction: the old event is voided and
   * a new one says it whole, because events never change. */
  tag(correction: string) {
    const last = this.last;
    if (!last) return;
    const again = { ...last.event, id: crypto.randomUUID(), device: deviceName() };
    const tags = last.event.corrections ?? [];
    again.corrections = tags.includes(correction)
      ? tags.filter((t) => t !== correction)
      : [...tags, correction];
    this.send([this.voiding(last.event), again]);
  }

  /** The newest answer of this device: what undo and tags are about. */
  last = $derived(this.log.findLast((l) => l.event.device === deviceName()));

  undo() {
    const last = this.last;
    if (!last) return;
    this.half = this.judge === 'both' && last.event.role === 'screener';
    this.send([this.voiding(last.event)]);
  }

  /** Goes to another rep of the order without logging. */
  skip(by: number) {
    const block = this.current?.block.id;
    const at = this.order.findIndex((r) => r.no === this.rep?.no);
    const to = this.order[Math.max(0, (at < 0 ? this.order.length : at) + by)];
    this.half = false;
    if (block && to) this.skipped = { ...this.skipped, [block]: to.no };
  }

  private voiding(e: RepEvent): RepEvent {
    return {
      id: crypto.randomUUID(),
      kind: 'void',
      voids: e.id,
      at: this.time(),
      device: deviceName()
    };
  }

  private send(events: RepEvent[]) {
    events.forEach((e) => this.apply(e));
    this.queue.put(events).catch(() => {
      this.problem =
        'This device has no room to keep the rep. Free some space; what was logged before is safe.';
    });
  }

  /** A stored rep as this surface shows it. */
  private logged(r: Schemas['LoggedRep']): Logged {
    const drill = session.drill(this.all.find((b) => b.block.id === r.block)?.block.drill ?? '');
    const roles = session.catalogue?.screens.find((s) => s.id === drill?.screen)?.roles;
    const role = r.role === roles?.[0] ? 'cutter' : r.role === roles?.[1] ? 'screener' : r.role;
    return { event: { ...r, role, kind: 'rep' }, right: r.right, expected: r.expected };
  }

  /** Follows what other devices log and do to the clock. */
  follow() {
    const { teamId, practiceId } = this.path;
    const stream = new EventSource(`/api/teams/${teamId}/practices/${practiceId}/live`);
    this.stream = stream;
    const on = (name: string, then: (data: string) => void) =>
      stream.addEventListener(name, (e) => then((e as MessageEvent<string>).data));
    on('again', () => this.load().catch(() => {}));
    on('clock', (data) => {
      if (this.acting === 0) this.hear(JSON.parse(data));
      else this.missed = true;
    });
    on('reps', (data) => {
      const news: Schemas['FloorNews'] = JSON.parse(data);
      const known = new Set(this.log.map((l) => l.event.id));
      const fresh = news.reps.filter((r) => !known.has(r.id) && !this.gone.has(r.id));
      news.voided.forEach((id) => this.gone.add(id));
      this.log = [...this.log, ...fresh.map((r) => this.logged(r))].filter((l) => !this.gone.has(l.event.id));
    });
    // The browser tries again by itself unless it was refused.
    stream.onerror = () => {
      if (stream.readyState !== EventSource.CLOSED) return;
      this.again = setTimeout(() => this.follow(), followPause);
    };
  }

  leave() {
    clearTimeout(this.again);
    this.stream?.close();
    this.queue.stop();
  }

  private apply(e: RepEvent) {
    if (e.kind === 'void') {
      if (e.voids) this.gone.add(e.voids);
      this.log = this.log.filter((l) => l.event.id !== e.voids);
      return;
    }
    if (this.log.some((l) => l.event.id === e.id)) return;
    const row = this.run?.blocks.find((b) => b.block.id === e.block)?.rows?.find((r) => r.cue === e.cue);
    const expected = (e.role === 'screener' ? row?.screenerRead : row?.cutterRead) ?? '';
    this.log = [...this.log, { event: e, expected, right: e.made === expected }];
  }

  /** Now by the server's clock: this device's may be hours off. */
  private time(): string {
    return new Date(Date.now() + this.offset).toISOString();
  }

  /** Takes the clock as the server tells it. */
  private hear(c: Schemas['Clock']) {
    this.offset = Date.parse(c.now) - Date.now();
    localStorage.setItem(offsetKey, String(this.offset));
    this.setClock(c);
  }

  private setClock(c: Schemas['Clock']) {
    this.clock = c;
    this.clockAt = Date.now();
    this.now = this.clockAt;
  }

  /** Moves the clock here at once and tells the server; without an answer the
   * clock runs on this device alone. */
  async act(action: Schemas['ClockAction']['action'], block?: string) {
    const c = this.clock;
    if (!c) return;
    const to = block ?? c.block ?? this.blocks[0]?.block.id;
    const moved = to !== c.block;
    const mine = ++this.acts;
    this.acting++;
    this.setClock({
      ...c,
      status: action === 'finish' ? 'done' : 'open',
      ...(to ? { block: to } : {}),
      elapsedMs: moved ? 0 : this.ran,
      ...(action === 'start' && !c.began ? { began: this.time() } : {}),
      running: action === 'start' || (action === 'block' && c.running)
    });
    try {
      const body = { action, ...(block ? { block } : {}) };
      const heard = await ask(
        api.POST('/api/teams/{teamId}/practices/{practiceId}/clock', { params: { path: this.path }, body })
      );
      if (mine === this.acts) this.hear(heard);
      this.problem = '';
    } catch (e) {
      if (!(e instanceof Refusal && e.status === 0))
        this.problem = e instanceof Error ? e.message : String(e);
    } finally {
      if (--this.acting === 0 && this.missed) {
        this.missed = false;
        this.load().catch(() => {});
      }
    }
  }

  goTo(by: number) {
    const b = this.blocks[this.at + by];
    if (b) this.act('block', b.block.id);
    this.fresh();
  }
}

function without(map: Record<string, number>, key: string): Record<string, number> {
  return Object.fromEntries(Object.entries(map).filter(([k]) => k !== key));
}
