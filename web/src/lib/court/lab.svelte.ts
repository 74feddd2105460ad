import { api, ask, type Point, type Row, type Schemas, type Snapshot } from '$lib/api/client';
import { datedOrKept, keep, kept, unanswered } from '$lib/state/device';
import { add, arrowOf, mirrored, placeOf, withPlace } from './geometry';

export type ReadMap = Omit<Schemas['ReadMap'], 'margins' | 'open'> & {
  margins: Uint8Array;
  open: Uint8Array | null;
};

/** What is on the page at once: from the map while a defender is dragged, from
 * the engine as soon as it has answered. */
export interface Painted {
  cue: string;
  /** Feet. */
  margin: number;
  row: Row;
  exact: Schemas['Judgment'] | null;
}

/** Whose movement decides: the two defenders of the action, and who drives. */
export const arrowed = ['xCutter', 'xScreener', 'passer'];
/** Defenders start with an x: the engine sends maps for their places. */
export const defends = (who: string) => who.startsWith('x');
/** The two whose maps are always in hand; the others' are asked for when taken. */
const always = ['xCutter', 'xScreener'];
const shooters = ['cutterShoots', 'screenerShoots', 'secondShoots'] as const;
export type Shooter = (typeof shooters)[number];

/** Below this margin in feet the engine calls a cue late; the map says so too
 * until the engine's own word arrives. */
const lateTenths = 5;

/** The read lab's state: a snapshot, the engine's maps round it and its answer. */
export class Lab {
  lesson = $state.raw<Schemas['Lesson'] | null>(null);
  snapshot = $state.raw<Snapshot | null>(null);
  maps = $state.raw<Record<string, ReadMap>>({});
  /** The defender whose map is shown. */
  mapOf = $state('xCutter');
  painted = $state.raw<Painted | null>(null);
  /** Whether the map also shades how open the answer comes. */
  shadeOpen = $state(false);
  problem = $state('');
  /** Since when the lesson is on this device, where the server did not answer. */
  since = $state<number>();
  onLeft = $state(false);
  /** While a question is open the answer stays covered. */
  asking = $state(false);
  /** The engine's last word, kept on the page while a defender is on the move. */
  last = $state.raw<Schemas['Judgment'] | null>(null);

  /** The defender in hand: only this map is needed until the defender is let go. */
  private hand: string | null = null;
  private mapKeys: Record<string, string> = {};
  private busy = false;
  /** Ends when the engine has answered all that was asked. */
  private asked: Promise<void> = Promise.resolve();
  private again = false;

  constructor(private team: string) {}

  /** Everybody on the floor, and the places that can be moved with them. */
  private get placed(): string[] {
    const s = this.snapshot;
    const handles = ['back', 'exit'].filter((h) => s && h in s);
    if (s?.facing?.xCutter) handles.push('gaze');
    handles.push(
      ...Object.keys(s?.velocity ?? {})
        .filter((who) => arrowed.includes(who) || defends(who))
        .map(arrowOf)
    );
    return [...(this.lesson?.action.participants ?? []).map((p) => p.id), ...handles];
  }

  /** Puts a snapshot of the address on the floor. */
  place(floor: string) {
    if (!this.snapshot) return;
    const told = (s: Snapshot) => {
      let out = s;
      for (const part of floor.split('~')) {
        const [who = '', x, y] = part.split(':');
        if (shooters.includes(who as Shooter)) out = { ...out, [who]: x === '1' };
        const at = { x: Number(x), y: Number(y) };
        if (this.placed.includes(who) && !Number.isNaN(at.x + at.y)) out = withPlace(out, who, at);
      }
      // An address without arrows is a still picture.
      return floor.includes('arrow.') ? out : { ...out, velocity: undefined };
    };
    const given = told(this.snapshot);
    // An address made on the left opens there, with the ends of the cut.
    if (given.screener.x < 0 && this.snapshot.screener.x > 0) {
      this.onLeft = true;
      this.show(told(mirrored(this.snapshot)));
    } else this.show(given);
  }

  /** Where everybody stands, as an address holds it, in feet. */
  get address(): string {
    const s = this.snapshot;
    if (!s) return '';
    const places = this.placed.map((who) => {
      const at = placeOf(s, who);
      return `${who}:${at.x.toFixed(4)}:${at.y.toFixed(4)}`;
    });
    const shots = shooters.filter((k) => s[k] !== undefined).map((k) => `${k}:${s[k] ? 1 : 0}`);
    return [...places, ...shots].join('~');
  }

  /** Draws a clear snapshot and covers the answer. */
  async question() {
    if (!this.snapshot) return;
    const s = await ask(
      api.GET('/api/teams/{teamId}/question', {
        params: {
          path: { teamId: this.team },
          query: { action: this.snapshot.action, seed: Math.floor(Math.random() * 2 ** 31) }
        }
      })
    );
    this.asking = true;
    const first = this.lesson?.examples[0];
    this.onLeft = first !== undefined && s.screener.x * first.screener.x < 0;
    this.show(s);
  }

  /** Opens an action at a cue or a read, or with everybody where an address says, and waits for the engine's
   * answer. */
  async load(action: string, cue?: string, read?: string, floor?: string) {
    const dated = await datedOrKept(
      `lesson ${this.team} ${action}`,
      ask(
        api.GET('/api/teams/{teamId}/lesson', { params: { path: { teamId: this.team }, query: { action } } })
      )
    );
    this.lesson = dated.value;
    this.since = dated.since;
    this.onLeft = false;
    this.asking = false;
    this.maps = {};
    this.mapOf = 'xCutter';
    const at = this.lesson.rows.findIndex(
      (r) => r.cue === cue || (read !== undefined && (r.cutterRead === read || r.screenerRead === read))
    );
    this.show(this.lesson.examples[Math.max(0, at)]);
    if (floor) this.place(floor);
    await this.asked;
  }

  /** Puts a cue's clear example on the floor. */
  example(cue: string) {
    this.asking = false;
    const at = this.lesson?.rows.findIndex((r) => r.cue === cue) ?? -1;
    const s = this.lesson?.examples[at];
    if (s) this.show(this.onLeft ? mirrored(s) : s);
  }

  mirror() {
    if (!this.snapshot) return;
    this.onLeft = !this.onLeft;
    this.show(mirrored(this.snapshot));
  }

  /** Moves somebody. For a defender the answer comes from the map at once,
   * without waiting; for everybody else it comes from the engine. */
  move(who: string, to: Point) {
    const s = this.snapshot;
    if (!s) return;
    const next = withPlace(s, who, to);
    // The screener keeps facing the same way.
    if (who === 'screener' && s.back) next.back = add(s.back, to.x - s.screener.x, to.y - s.screener.y);
    this.snapshot = next;
    this.hand = defends(who) ? who : null;
    if (this.hand) this.paintFromMap(this.hand, to);
    this.refresh();
  }

  /** Whether the picture tells how the defenders move. */
  get moving() {
    return this.snapshot?.velocity !== undefined;
  }

  /** Shows how the defenders move in the cue's own example, or only where they stand. */
  setMoving(on: boolean) {
    const s = this.snapshot;
    if (!s) return;
    const from =
      this.lesson?.examples[
        Math.max(
          0,
          this.lesson.rows.findIndex((r) => r.cue === this.shown)
        )
      ];
    const example = from && this.onLeft ? mirrored(from) : from;
    this.show({ ...s, velocity: on ? example?.velocity : undefined });
  }

  /** The cue on the page, or the first that an undecided picture can be. */
  get shown() {
    return this.last?.cues[0] ?? this.painted?.cue ?? '';
  }

  /** Says who can make the three. */
  shoots(who: Shooter, can: boolean) {
    if (this.snapshot) this.show({ ...this.snapshot, [who]: can });
  }

  /** Nobody is moved any more: the other defender's map follows. */
  settle() {
    this.hand = null;
    this.refresh();
  }

  /** Shades the map by how open the answer comes, or no longer. */
  shade(open: boolean) {
    this.shadeOpen = open;
    this.refresh();
  }

  /** Shows the map of a defender's places, and asks for it if need be. */
  showMap(who: string) {
    if (!defends(who) || this.mapOf === who) return;
    this.mapOf = who;
    if (!this.maps[who]) this.refresh();
  }

  private show(s: Snapshot | undefined) {
    if (!s) return;
    this.hand = null;
    this.snapshot = s;
    this.refresh();
  }

  private paintFromMap(who: string, p: Point) {
    const m = this.maps[who];
    if (!m || !this.lesson) return;
    const col = Math.floor((p.x - m.origin.x) / m.cell);
    const row = Math.floor((p.y - m.origin.y) / m.cell);
    if (col < 0 || col >= m.cols || row < 0 || row >= m.rows) return; // the engine answers by itself
    const cell = row * m.cols + col;
    const cue = m.legend[parseInt(m.cues[cell] ?? '0', 36)] ?? '';
    const found = this.lesson.rows.find((r) => r.cue === cue);
    if (found) this.painted = { cue, margin: (m.margins[cell] ?? 0) / 10, row: found, exact: null };
  }

  /** Asks the engine for the exact answer and both maps; one question at a
   * time, the newest place last. */
  private refresh() {
    if (this.busy) this.again = true;
    else this.asked = this.askAll();
  }

  private async askAll() {
    this.busy = true;
    do {
      this.again = false;
      await this.askEngine();
    } while (this.again);
    this.busy = false;
  }

  private async askEngine() {
    const body = this.snapshot;
    if (!body) return;
    const path = { teamId: this.team };
    try {
      const wanted = this.hand ? [this.hand] : [...new Set([...always, this.mapOf])];
      const [answer, ...maps] = await Promise.all([
        this.ofExample('judge', body, () =>
          ask(api.POST('/api/teams/{teamId}/judge', { params: { path }, body }))
        ),
        ...wanted.map((who) => this.map(who, body))
      ]);
      this.maps = { ...this.maps, ...Object.fromEntries(maps.map((m, i) => [wanted[i], m])) };
      if (!this.again) {
        this.painted = { cue: answer.cue, margin: answer.margin, row: answer.row, exact: answer };
        this.last = answer;
        this.problem = '';
      }
    } catch (e) {
      this.problem = e instanceof Error ? e.message : String(e);
    }
  }

  /** What the engine says of a lesson's own pictures is kept, so that they can be taught without
   * a network. */
  private async ofExample<T>(what: string, body: Snapshot, call: () => Promise<T>): Promise<T> {
    const at = this.lesson?.examples.indexOf(body) ?? -1;
    if (at < 0) return call();
    const key = `example ${this.team} ${body.action} ${at} ${what}`;
    try {
      const value = await call();
      void keep(key, value);
      return value;
    } catch (e) {
      const value = unanswered(e) ? await kept<T>(key) : undefined;
      if (value === undefined) throw e;
      return value;
    }
  }

  /** A defender's map does not depend on where that defender stands: it is asked
   * for anew only when somebody else has moved. */
  private async map(mover: string, body: Snapshot): Promise<ReadMap> {
    // While somebody is dragged the plain map is enough, and quicker.
    const open = this.shadeOpen && !this.hand;
    const key = JSON.stringify({ ...body, [mover]: null, open });
    const known = this.maps[mover];
    if (known && this.mapKeys[mover] === key) return known;
    const m = await this.ofExample(`map ${mover} ${open}`, body, () =>
      ask(
        api.POST('/api/teams/{teamId}/readmap', {
          params: { path: { teamId: this.team }, query: { mover, open } },
          body
        })
      )
    );
    this.mapKeys[mover] = key;
    return { ...m, margins: bytes(m.margins), open: m.open ? bytes(m.open) : null };
  }
}

const bytes = (base64: string) => Uint8Array.from(atob(base64), (c) => c.charCodeAt(0));

/** Whether a map cell's margin is late. */
export const isLate = (tenths: number) => tenths < lateTenths;
