import { v4 as newId } from 'uuid';
import { api, ask, Refusal, type Schemas } from '$lib/api/client';
import { device, setAside, useReserve, type Waiting } from '$lib/state/device';

type RepEvent = Schemas['RepEvent'];

const batch = 100;
const shortestPause = 1000; // ms between tries while there is no answer
const longestPause = 5000; // ms; a coach who sees the network back should soon see "All sent" (assumption)

/** What a row is about, whichever copy of it this is. */
const what = (r: Waiting) => r.event?.id ?? r.change?.id ?? `${r.clock?.action} ${r.clock?.at}`;
/** What the server adds to a rep when it stores it. */
const added: Record<Exclude<keyof Schemas['LoggedRep'], keyof RepEvent>, true> = {
  rung: true,
  expected: true,
  correct: true
};
/** A rep as it is logged: one of before, that came back from the server, has more. */
const asLogged = (e: RepEvent) =>
  Object.fromEntries(Object.entries(e).filter(([name]) => !(name in added))) as RepEvent;
const isRep = (r: Waiting) => r.event !== undefined;

/** What one tab tells the others of this device. */
interface News {
  added: Waiting[];
  sent: number[];
}

/** What is done on the floor is written to the device first and leaves it only when
 * the server has answered that it is stored, in the order in which it was done.
 * Sending twice is harmless, so two tabs of one device may both send. */
export class Queue {
  /** Everything the server may not have yet, of all tabs of this device, in order. */
  private held = $state.raw<Waiting[]>([]);
  /** Rep events among it. */
  waiting = $derived(this.held.filter(isRep).length);
  /** Of these, what is written to this device. */
  kept = $derived(this.held.filter((r) => isRep(r) && r.n !== undefined).length);
  /** Actions on the clock among it. */
  clockActions = $derived(this.held.flatMap((r) => r.clock ?? []));
  /** Who came or went, and swaps of the sides, among it. */
  changes = $derived(this.held.flatMap((r) => r.change ?? []));
  /** All rep events among it. */
  events = $derived(this.held.flatMap((r) => r.event ?? []));
  refused = $derived(this.held.find((r) => r.refused)?.refused ?? '');
  /** Rep events that this device had no room for: they are in this page alone. */
  unkept = $derived(this.held.filter((r) => isRep(r) && r.unkept).length);
  reachable = $state(true);
  signedOut = $state(false);
  /** The practice is not there any more, in the server's words. */
  gone = $state('');
  /** This device is full, or was: only what was set aside is left. */
  low = $state(false);
  /** The browser may throw away what this device keeps when it needs room. */
  unsafe = $state(false);
  private sending: Promise<void> | undefined;
  private stopped = false;
  private again = false;
  private pause = shortestPause;
  private timer: ReturnType<typeof setTimeout> | undefined;
  /** Between the tabs of this device. */
  private tabs: BroadcastChannel | undefined;

  constructor(
    private team: string,
    private practice: string,
    /** Hears the server's clock; of nothing where it has to be asked for. */
    private heard: (c?: Schemas['Clock']) => void,
    /** What is logged is a game. */
    private game = false
  ) {}

  private get path() {
    return { teamId: this.team, practiceId: this.practice };
  }

  private get gamePath() {
    return { teamId: this.team, gameId: this.practice };
  }

  /** The rep events of this practice that the server may not have yet. */
  async pending(): Promise<RepEvent[]> {
    const before = new Set(this.held.map((r) => r.n));
    const rows = await device.waiting.where({ practice: this.practice }).sortBy('n');
    const known = new Set(rows.map(what));
    // What another tab has sent is gone; what was put meanwhile is not read yet.
    const rest = this.held.filter((r) => !known.has(what(r)) && (r.n === undefined || !before.has(r.n)));
    this.held = [...rows, ...rest];
    return this.held.flatMap((r) => r.event ?? []);
  }

  /** Tells what other tabs of this device do, and sets room aside on it. */
  watch(others: (events: RepEvent[]) => void) {
    this.tabs = new BroadcastChannel(`evrik.floor ${this.practice}`);
    this.tabs.onmessage = (e: MessageEvent<News>) => {
      const { added, sent } = e.data;
      const known = new Set(this.held.map(what));
      const gone = new Set(sent);
      this.held = [...this.held, ...added.filter((r) => !known.has(what(r)))].filter(
        (r) => !gone.has(r.n ?? -1)
      );
      others(added.flatMap((r) => r.event ?? []));
    };
    void setAside().then((there) => (this.low = !there));
  }

  /** Keeps what was done on the device, then tries to send it. */
  async put(done: Pick<Waiting, 'event' | 'clock' | 'change'>[]) {
    const rows: Waiting[] = done.map((d) => ({
      team: this.team,
      practice: this.practice,
      ...(this.game ? { game: true } : {}),
      ...d
    }));
    this.held = [...this.held, ...rows];
    if (rows.some(isRep)) void persist().then((safe) => (this.unsafe = !safe));
    const write = () =>
      device.waiting.bulkAdd(
        rows.map((r) => ({ ...r })),
        { allKeys: true }
      );
    try {
      const keys = await write().catch(async (e) => {
        this.low = true;
        if (!(await useReserve())) throw e;
        return write();
      });
      this.replace(rows, (r, i) => ({ ...r, n: keys[i]! }));
    } catch {
      this.replace(rows, (r) => ({ ...r, unkept: true }));
    }
    if (this.timer === undefined) await this.send();
  }

  private replace(rows: Waiting[], by: (r: Waiting, i: number) => Waiting) {
    const now = new Map(rows.map((r, i) => [what(r), by(r, i)]));
    this.held = this.held.map((r) => now.get(what(r)) ?? r);
    const added = [...now.values()].filter((r) => r.n !== undefined);
    if (added.length > 0) this.tabs?.postMessage({ added, sent: [] } satisfies News);
  }

  /** Sends what is held, now; while there is no answer it is tried again by itself. */
  send(): Promise<void> {
    if (this.sending) this.again = true;
    this.sending ??= this.sendNow().finally(() => {
      this.sending = undefined;
      // What came while the last answer was being put away.
      if (this.again && this.timer === undefined) void this.send();
    });
    return this.sending;
  }

  private async sendNow() {
    clearTimeout(this.timer);
    this.timer = undefined;
    try {
      do {
        this.again = false;
        await this.sendAll();
      } while (this.again);
    } catch (e) {
      // No answer, or the server is in trouble: everything is still here.
      this.reachable = !(e instanceof Refusal && e.status === 0);
      this.signedOut = e instanceof Refusal && e.status === 401;
      if (!this.gone && !this.stopped) {
        this.timer = setTimeout(() => this.send(), this.pause);
        this.pause = Math.min(longestPause, this.pause * 2);
      }
    }
  }

  private async sendAll() {
    for (;;) {
      // What is on its way to the device's store is sent when it is there.
      const rows = this.held.filter((r) => !r.refused && (r.n !== undefined || r.unkept));
      const first = rows[0];
      if (!first) break;
      // Reps that follow one another travel together; what lies between keeps its place.
      const other = rows.findIndex((r) => !isRep(r));
      await this.sendSome(isRep(first) ? rows.slice(0, other < 0 ? batch : Math.min(batch, other)) : [first]);
      this.answered();
    }
  }

  private answered() {
    this.reachable = true;
    this.signedOut = false;
    this.gone = '';
    this.pause = shortestPause;
  }

  private async sendSome(rows: Waiting[]) {
    try {
      await this.tell(rows);
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
      const row = rows[0]!;
      if (isRep(row)) {
        if (row.n !== undefined) await device.waiting.update(row.n, { refused: e.message });
        this.replace([row], (r) => ({ ...r, refused: e.message }));
      } else {
        // A clock that cannot follow, or a player who is gone, is no record to keep.
        await this.done(rows);
        this.heard();
      }
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
      if (!this.held.some((r) => r.clock)) this.heard(answer);
    } else if (change) {
      await ask(api.POST('/api/teams/{teamId}/practices/{practiceId}/changes', { params, body: change }));
      await this.done(rows);
    } else {
      const body = { events: rows.flatMap((r) => (r.event ? [asLogged(r.event)] : [])) };
      await ask(
        this.game
          ? api.POST('/api/teams/{teamId}/games/{gameId}/reps', { params: { path: this.gamePath }, body })
          : api.POST('/api/teams/{teamId}/practices/{practiceId}/reps', { params, body })
      );
      await this.done(rows);
    }
  }

  /** Throws where the practice is not there any more: what was logged is offered to
   * the coach, not refused rep by rep. */
  private async stillThere() {
    try {
      await ask<unknown>(
        this.game
          ? api.GET('/api/teams/{teamId}/games/{gameId}/bench', { params: { path: this.gamePath } })
          : api.GET('/api/teams/{teamId}/practices/{practiceId}', { params: { path: this.path } })
      );
    } catch (e) {
      if (e instanceof Refusal && e.status === 404) this.gone = e.message;
      throw e;
    }
  }

  private async done(rows: Waiting[]) {
    const sent = rows.flatMap((r) => (r.n === undefined ? [] : [r.n]));
    await device.waiting.bulkDelete(sent).catch(() => {}); // then it is sent again, and known
    const gone = new Set(rows.map(what));
    this.held = this.held.filter((r) => !gone.has(what(r)));
    this.tabs?.postMessage({ added: [], sent } satisfies News);
  }

  /** Gives the reps that wait to another practice. */
  async moveTo(practice: string) {
    const reps = this.held.filter(isRep);
    await device.waiting.bulkPut(
      reps.map(({ n, event }) => ({ ...(n === undefined ? {} : { n }), practice, event: event! }))
    );
    await device.waiting.where({ practice: this.practice }).delete();
    this.held = [];
  }

  /** Throws away what waits. */
  async discard() {
    await device.waiting.where({ practice: this.practice }).delete();
    this.held = [];
  }

  stop() {
    this.stopped = true;
    clearTimeout(this.timer);
    this.tabs?.close();
  }
}

/** Sends what was left unsent when its practice was left, of all practices on this
 * device, and returns how many reps that were. */
export async function sendRest(): Promise<number> {
  const rows = await device.waiting.toArray();
  const practices = new Map(rows.map((r) => [r.practice, r]));
  let sent = 0;
  for (const [practice, { team, game }] of practices) {
    if (!team) continue;
    const queue = new Queue(team, practice, () => {}, game);
    queue.stop(); // once is enough: the next visit tries again
    const before = (await queue.pending()).length;
    await queue.send();
    sent += before - queue.waiting;
  }
  return sent;
}

let asked: Promise<boolean> | undefined;

/** Asks the browser, once a page, to keep what is on this device; false where it refuses. A browser
 * that knows no such promise is not held to one. */
function persist(): Promise<boolean> {
  const storage = navigator.storage as StorageManager | undefined;
  if (!storage?.persist) return Promise.resolve(true);
  asked ??= storage.persist().catch(() => true);
  return asked;
}

const deviceKey = 'evrik.device';

/** A random name for this device, so that two observers can be told apart. */
export function deviceName(): string {
  let name = localStorage.getItem(deviceKey);
  if (!name) {
    name = newId().slice(0, 8);
    localStorage.setItem(deviceKey, name);
  }
  return name;
}
