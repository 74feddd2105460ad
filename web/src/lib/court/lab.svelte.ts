import { api, ask, type Point, type Row, type Schemas, type Situation } from '$lib/api/client';
import { mirror } from './geometry';

/** The defenders, for whose places the engine sends maps. */
type Mover = 'xCutter' | 'xScreener';
/** Everybody who can be moved. */
export type Figure = Mover | 'cutter' | 'screener';
type ReadMap = Omit<Schemas['ReadMap'], 'margins'> & { margins: Uint8Array };

/** What is on the page at once: from the map while a defender is dragged, from
 * the engine as soon as it has answered. */
export interface Painted {
  cue: string;
  /** Feet. */
  margin: number;
  row: Row;
  exact: Schemas['Answer'] | null;
}

const inAddress = ['cutter', 'screener', 'xCutter', 'xScreener'] as const;

/** Below this margin in feet the engine calls a cue late; the map says so too
 * until the engine's own word arrives. */
const lateTenths = 5;

/** The read lab's state: a situation, the engine's maps round it and its answer. */
export class Lab {
  lesson = $state.raw<Schemas['Lesson'] | null>(null);
  situation = $state.raw<Situation | null>(null);
  maps = $state.raw<Partial<Record<Mover, ReadMap>>>({});
  painted = $state.raw<Painted | null>(null);
  problem = $state('');
  onLeft = $state(false);
  /** While a question is open the answer stays covered. */
  asking = $state(false);
  /** The engine's last word, kept on the page while a defender is on the move. */
  last = $state.raw<Schemas['Answer'] | null>(null);

  /** The defender in hand: only his own map is needed until he is let go. */
  private hand: Mover | null = null;
  private mapKeys: Partial<Record<Mover, string>> = {};
  private busy = false;
  private again = false;

  constructor(private team: string) {}

  /** Puts a situation of the address on the floor: four people's places. */
  place(at: string) {
    const n = at.split(',').map(Number);
    if (!this.situation || n.length !== 2 * inAddress.length || n.some(Number.isNaN)) return;
    const places = Object.fromEntries(
      inAddress.map((who, i) => [who, { x: n[2 * i] ?? 0, y: n[2 * i + 1] ?? 0 }])
    );
    // The side goes with the screener: an address made on the left opens there.
    const left = (places.screener?.x ?? 0) < 0;
    if (left !== this.onLeft) this.mirror();
    this.show({ ...this.situation, ...places });
  }

  /** Where the four stand, as an address holds it, in feet. */
  get address(): string {
    const s = this.situation;
    return s ? inAddress.flatMap((who) => [s[who].x, s[who].y].map((v) => v.toFixed(4))).join(',') : '';
  }

  /** Draws a clear situation and covers the answer. */
  async question() {
    if (!this.situation) return;
    const s = await ask(
      api.GET('/api/teams/{teamId}/question', {
        params: {
          path: { teamId: this.team },
          query: { screen: this.situation.screen, seed: Math.floor(Math.random() * 2 ** 31) }
        }
      })
    );
    this.asking = true;
    this.onLeft = s.screener.x < 0;
    this.show(s);
  }

  async load(screen: string, cue?: string, read?: string) {
    this.lesson = await ask(
      api.GET('/api/teams/{teamId}/lesson', { params: { path: { teamId: this.team }, query: { screen } } })
    );
    this.onLeft = false;
    this.asking = false;
    const at = this.lesson.rows.findIndex(
      (r) => r.cue === cue || (read !== undefined && (r.cutterRead === read || r.screenerRead === read))
    );
    this.show(this.lesson.examples[Math.max(0, at)]);
  }

  /** Puts a cue's clear example on the floor. */
  example(cue: string) {
    this.asking = false;
    const at = this.lesson?.rows.findIndex((r) => r.cue === cue) ?? -1;
    const s = this.lesson?.examples[at];
    if (s) this.show(this.onLeft ? mirrored(s) : s);
  }

  mirror() {
    if (!this.situation) return;
    this.onLeft = !this.onLeft;
    this.show(mirrored(this.situation));
  }

  /** Moves somebody. For a defender the answer comes from the map at once,
   * without waiting; for cutter and screener it comes from the engine. */
  move(who: Figure, to: Point) {
    if (!this.situation) return;
    this.situation = { ...this.situation, [who]: to };
    this.hand = who === 'xCutter' || who === 'xScreener' ? who : null;
    if (this.hand) this.paintFromMap(this.hand, to);
    this.refresh();
  }

  /** Nobody is moved any more: the other defender's map follows. */
  settle() {
    this.hand = null;
    this.refresh();
  }

  private show(s: Situation | undefined) {
    if (!s) return;
    this.hand = null;
    this.situation = s;
    this.refresh();
  }

  private paintFromMap(who: Mover, p: Point) {
    const m = this.maps[who];
    if (!m || !this.lesson) return;
    const col = clamp(Math.floor((p.x - m.origin.x) / m.cell), 0, m.cols - 1);
    const row = clamp(Math.floor((p.y - m.origin.y) / m.cell), 0, m.rows - 1);
    const cell = row * m.cols + col;
    const cue = m.legend[Number(m.cues[cell])] ?? '';
    const found = this.lesson.rows.find((r) => r.cue === cue);
    if (found) this.painted = { cue, margin: (m.margins[cell] ?? 0) / 10, row: found, exact: null };
  }

  /** Asks the engine for the exact answer and both maps; one question at a
   * time, the newest place last. */
  private async refresh() {
    if (this.busy) {
      this.again = true;
      return;
    }
    this.busy = true;
    do {
      this.again = false;
      await this.askEngine();
    } while (this.again);
    this.busy = false;
  }

  private async askEngine() {
    const body = this.situation;
    if (!body) return;
    const path = { teamId: this.team };
    try {
      const [answer, cutter, screener] = await Promise.all([
        ask(api.POST('/api/teams/{teamId}/judge', { params: { path }, body })),
        this.hand === 'xScreener' ? this.maps.xCutter : this.map('xCutter', body),
        this.hand === 'xCutter' ? this.maps.xScreener : this.map('xScreener', body)
      ]);
      this.maps = { xCutter: cutter, xScreener: screener };
      if (!this.again) {
        this.painted = { cue: answer.cue, margin: answer.margin, row: answer.row, exact: answer };
        this.last = answer;
        this.problem = '';
      }
    } catch (e) {
      this.problem = e instanceof Error ? e.message : String(e);
    }
  }

  /** A defender's map does not depend on where he himself stands: it is asked
   * for anew only when somebody else has moved. */
  private async map(mover: Mover, body: Situation): Promise<ReadMap> {
    const key = JSON.stringify({ ...body, [mover]: null });
    const known = this.maps[mover];
    if (known && this.mapKeys[mover] === key) return known;
    const m = await ask(
      api.POST('/api/teams/{teamId}/readmap', {
        params: { path: { teamId: this.team }, query: { mover } },
        body
      })
    );
    this.mapKeys[mover] = key;
    return { ...m, margins: Uint8Array.from(atob(m.margins), (c) => c.charCodeAt(0)) };
  }
}

/** Whether a map cell's margin is late. */
export const isLate = (tenths: number) => tenths < lateTenths;

function mirrored(s: Situation): Situation {
  return {
    screen: s.screen,
    from: mirror(s.from),
    to: mirror(s.to),
    cutter: mirror(s.cutter),
    screener: mirror(s.screener),
    passer: mirror(s.passer),
    xCutter: mirror(s.xCutter),
    xScreener: mirror(s.xScreener)
  };
}

const clamp = (v: number, lo: number, hi: number) => Math.max(lo, Math.min(hi, v));
