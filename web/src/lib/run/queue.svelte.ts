import { liveQuery, type Subscription } from 'dexie';
import { api, ask, Refusal, type Schemas } from '$lib/api/client';
import { device, room, type Waiting } from '$lib/state/device';

type RepEvent = Schemas['RepEvent'];

const batch = 100;
const shortestPause = 1000; // ms between tries while there is no answer
const longestPause = 5000; // ms; a coach who sees the network back should soon see "All sent" (assumption)
const lowRoom = 2_000_000; // bytes, some thousand reps with what a browser needs besides (assumption)
const lookForRoom = 60_000; // ms

const isRep = (r: Waiting) => r.event !== undefined;

/** What is done on the floor is written to the device first and leaves it only when
 * the server has answered that it is stored, in the order in which it was done.
 * Sending twice is harmless, so two tabs of one device may both send. */
export class Queue {
  /** Rep events that the server may not have yet. */
  waiting = $state(0);
  /** Actions on the clock that it may not have yet. */
  clocks = $state(0);
  refused = $state('');
  reachable = $state(true);
  signedOut = $state(false);
  /** Who came or went, and swaps of the sides, that it may not have yet. */
  changes = $state.raw<Schemas['FloorChange'][]>([]);
  /** The practice is not there any more, in the server's words. */
  gone = $state('');
  /** Rep events that this device had no room for: they are in this page alone. */
  unkept = $state.raw<Waiting[]>([]);
  /** This device has little room left. */
  low = $state(false);
  /** On the way to the device's store. */
  private writing: Waiting[] = [];
  private sending = false;
  private again = false;
  private pause = shortestPause;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private roomTimer: ReturnType<typeof setInterval> | undefined;
  private watching: Subscription | undefined;

  constructor(
    private team: string,
    private practice: string,
    /** Hears the server's clock; of nothing where it has to be asked for. */
    private heard: (c?: Schemas['Clock']) => void
  ) {}

  private get path() {
    return { teamId: this.team, practiceId: this.practice };
  }

  private rows = () => device.waiting.where({ practice: this.practice }).sortBy('n');

  /** The rep events of this practice that the server may not have yet. */
  async pending(): Promise<RepEvent[]> {
    const rows = await this.rows();
    this.count(rows);
    return rows.flatMap((r) => r.event ?? []);
  }

  /** Tells what other tabs of this device do, and watches the room on it. */
  watch(others: (events: RepEvent[]) => void) {
    this.watching = liveQuery(this.rows).subscribe((rows) => {
      this.count(rows);
      others(rows.flatMap((r) => r.event ?? []));
    });
    const look = async () => {
      const left = await room();
      this.low = left !== undefined && left < lowRoom;
    };
    look();
    this.roomTimer = setInterval(look, lookForRoom);
  }

  private count(rows: Waiting[]) {
    const all = [...rows, ...this.unkept, ...this.writing];
    this.waiting = all.filter(isRep).length;
    this.clocks = all.filter((r) => r.clock).length;
    this.changes = all.flatMap((r) => r.change ?? []);
    this.refused = rows.find((r) => r.refused)?.refused ?? '';
  }

  /** Keeps what was done on the device, then tries to send it. */
  async put(done: Omit<Waiting, 'practice' | 'n'>[]) {
    const rows = done.map((d) => ({ practice: this.practice, ...d }));
    this.waiting += rows.filter(isRep).length;
    this.clocks += rows.filter((r) => r.clock).length;
    this.writing = [...this.writing, ...rows];
    try {
      await device.waiting.bulkAdd(rows.map((r) => ({ ...r })));
    } catch {
      this.unkept = [...this.unkept, ...rows];
    }
    this.writing = this.writing.filter((r) => !rows.includes(r));
    this.send();
  }

  async send() {
    if (this.sending) {
      this.again = true;
      return;
    }
    this.sending = true;
    clearTimeout(this.timer);
    try {
      do {
        this.again = false;
        await this.sendAll();
      } while (this.again);
    } catch (e) {
      // No answer, or the server is in trouble: everything is still here.
      this.reachable = !(e instanceof Refusal && e.status === 0);
      this.signedOut = e instanceof Refusal && e.status === 401;
      if (!this.gone) {
        this.timer = setTimeout(() => this.send(), this.pause);
        this.pause = Math.min(longestPause, this.pause * 2);
      }
    } finally {
      this.sending = false;
      this.count(await this.rows().catch(() => []));
    }
  }

  private async sendAll() {
    for (;;) {
      const rows = [...(await this.rows().catch(() => [])), ...this.unkept].filter((r) => !r.refused);
      const first = rows[0];
      if (!first) return;
      // Reps that follow one another travel together; what lies between keeps its place.
      const other = rows.findIndex((r) => !isRep(r));
      await this.sendSome(isRep(first) ? rows.slice(0, other < 0 ? batch : Math.min(batch, other)) : [first]);
      this.reachable = true;
      this.signedOut = false;
      this.gone = '';
      this.pause = shortestPause;
    }
  }

  private async sendSome(rows: Waiting[]) {
    try {
      await this.tell(rows);
      await this.done(rows);
    } catch (e) {
      const final =
        e instanceof Refusal && e.status >= 400 && e.status < 500 && ![401, 403, 408, 429].includes(e.status);
      if (!final) throw e;
      if (e.status === 404) await this.stillThere();
      // One bad event must not hold the others back: find it, keep it, say so.
      if (rows.length > 1) {
        for (const r of rows) await this.sendSome([r]);
        return;
      }
      const row = rows[0];
      // A clock that cannot follow, or a player who is gone, is no record to keep.
      if (row && !isRep(row)) {
        await this.done([row]);
        this.count(await this.rows());
        this.heard();
        return;
      }
      this.refused = e.message;
      if (row?.n !== undefined) await device.waiting.update(row.n, { refused: e.message });
      else this.unkept = this.unkept.map((r) => (r === row ? { ...r, refused: e.message } : r));
    }
  }

  private async tell(rows: Waiting[]) {
    const params = { path: this.path };
    const { clock, change } = rows[0]!;
    if (clock) {
      const answer = await ask(
        api.POST('/api/teams/{teamId}/practices/{practiceId}/clock', { params, body: clock })
      );
      await this.done(rows);
      this.count(await this.rows());
      if (this.clocks === 0) this.heard(answer);
    } else if (change) {
      await ask(api.POST('/api/teams/{teamId}/practices/{practiceId}/changes', { params, body: change }));
    } else {
      const body = { events: rows.flatMap((r) => r.event ?? []) };
      await ask(api.POST('/api/teams/{teamId}/practices/{practiceId}/reps', { params, body }));
    }
  }

  /** Throws where the practice is not there any more: what was logged is offered to
   * the coach, not refused rep by rep. */
  private async stillThere() {
    try {
      await ask(api.GET('/api/teams/{teamId}/practices/{practiceId}', { params: { path: this.path } }));
    } catch (e) {
      if (e instanceof Refusal && e.status === 404) this.gone = e.message;
      throw e;
    }
  }

  private async done(rows: Waiting[]) {
    await device.waiting.bulkDelete(rows.flatMap((r) => (r.n === undefined ? [] : [r.n])));
    this.unkept = this.unkept.filter((r) => !rows.includes(r));
  }

  /** Gives what waits to another practice, and returns how many reps that were. */
  async moveTo(practice: string): Promise<number> {
    const rows = [...(await this.rows()), ...this.unkept];
    await device.waiting.bulkPut(
      rows
        .filter(isRep)
        .map(({ n, event }) => ({ ...(n === undefined ? {} : { n }), practice, event: event! }))
    );
    await device.waiting.where({ practice: this.practice }).delete();
    this.unkept = [];
    return rows.filter(isRep).length;
  }

  /** Throws away what waits. */
  async discard() {
    await device.waiting.where({ practice: this.practice }).delete();
    this.unkept = [];
    this.count([]);
  }

  stop() {
    clearTimeout(this.timer);
    clearInterval(this.roomTimer);
    this.watching?.unsubscribe();
  }
}

const deviceKey = 'evrik.device';

/** A random name for this device, so that two observers can be told apart. */
export function deviceName(): string {
  let name = localStorage.getItem(deviceKey);
  if (!name) {
    name = crypto.randomUUID().slice(0, 8);
    localStorage.setItem(deviceKey, name);
  }
  return name;
}
