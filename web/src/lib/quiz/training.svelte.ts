import { v4 as newId } from 'uuid';
import { api, ask, Refusal, type Schemas } from '$lib/api/client';
import { device, keep, kept, unanswered } from '$lib/state/device';
import { Asking } from './asking.svelte';

type Pack = Schemas['QuizPack'];

const firstSize = 10; // questions that are asked for at once, so that the first soon comes
const reserveSize = 30; // and those that are kept for when there is no network
const roundSize = 10; // questions of a turn
const ended = ''; // in the place of a link that does not work any more
const retryAfter = 5000; // ms between tries while there is no answer

/** A player's questions on their phone. They are on the phone before it begins, and every
 * answer stays on it until the server has it. */
export class Training {
  readonly asking = new Asking((choice, seconds) => this.note(choice, seconds));
  pack = $state.raw<Pack | null>(null);
  /** Questions not asked yet. */
  private rest = $state.raw<Schemas['QuizItem'][]>([]);
  /** What was asked for in this turn, and whether it was seen. */
  turn = $state.raw<{ read: string; right: boolean }[]>([]);
  done = $derived(this.turn.length);
  right = $derived(this.turn.filter((q) => q.right).length);
  waiting = $state(0);
  step = $state(1);
  shape = $state.raw<Schemas['QuizShape'] | null>(null);
  reachable = $state(true);
  /** The link does not work any more, in the server's words. */
  dead = $state('');
  problem = $state('');
  /** Answers on this phone that an ended link has not sent. */
  left = $state(0);
  over = $derived(this.done >= roundSize);
  more = $derived(this.rest.length > 0);
  upcoming = $derived(this.rest[0]);
  readonly size = roundSize;
  private sending = false;
  private timer: ReturnType<typeof setTimeout> | undefined;

  constructor(private key: string) {}

  private get path() {
    return { path: { quizKey: this.key } };
  }

  async open() {
    await this.count();
    await this.fetch(firstSize);
    if (!this.pack && !this.dead) {
      const pack = await kept<Pack>(`quiz ${this.key}`);
      if (pack) this.take(pack);
      else
        this.problem =
          'There is no network, and no questions are on this phone yet. Open the link again with a network.';
    }
    if (this.dead) return;
    await this.send();
    await this.fetch(reserveSize);
  }

  /** Gets more questions; without a network those that are here stay. */
  private async fetch(size: number) {
    try {
      const pack = await ask(api.GET('/api/quiz/{quizKey}', { params: { ...this.path, query: { size } } }));
      this.reachable = true;
      this.problem = '';
      this.take(pack);
    } catch (e) {
      await this.failed(e);
    }
  }

  private take(pack: Pack) {
    const old = this.pack;
    // Scenes and names of the questions that are left must not be lost.
    const union = <T extends { id: string }>(a: T[], b: T[]) => [
      ...a,
      ...b.filter((x) => !a.some((y) => y.id === x.id))
    ];
    this.rest = [...(pack.step === this.step ? this.rest : []), ...pack.items];
    this.pack = {
      ...pack,
      scenes: union(pack.scenes, old?.scenes ?? []),
      reads: union(pack.reads, old?.reads ?? [])
    };
    this.step = pack.step;
    this.shape = pack.shape;
    this.store();
  }

  private store() {
    if (this.pack) void keep(`quiz ${this.key}`, { ...this.pack, items: this.rest });
  }

  next() {
    if (this.over) this.turn = [];
    const [item, ...rest] = this.rest;
    if (!item) return;
    this.rest = rest;
    this.store();
    this.asking.begin(item);
  }

  private async note(choice: string, seconds: number) {
    const item = this.asking.item;
    if (!item) return;
    this.turn = [...this.turn, { read: item.right, right: choice === item.right }];
    const answer: Schemas['QuizAnswer'] = {
      id: newId(),
      card: item.card,
      step: item.step,
      seed: item.seed,
      choice,
      seconds,
      at: new Date().toISOString()
    };
    await device.seen.put({ id: answer.id, link: this.key, answer });
    await this.count();
    void this.send();
  }

  close() {
    clearTimeout(this.timer);
    this.asking.stop();
  }

  private async count() {
    this.waiting = await device.seen.where('link').equals(this.key).count();
    this.left = await device.seen.where('link').equals(ended).count();
  }

  /** Whoever has the new link says that what the ended one has left is theirs, or not. */
  async claim(mine: boolean) {
    const rows = device.seen.where('link').equals(ended);
    if (mine) await rows.modify({ link: this.key });
    else await rows.delete();
    await this.count();
    if (mine) await this.send();
  }

  /** Sends what waits; twice is harmless. At the end of a turn new questions come. */
  async send() {
    if (this.sending || this.dead) return;
    this.sending = true;
    try {
      for (;;) {
        const rows = await device.seen.where('link').equals(this.key).limit(100).toArray();
        if (rows.length === 0) break;
        const got = await ask(
          api.POST('/api/quiz/{quizKey}', { params: this.path, body: rows.map((r) => r.answer) })
        );
        this.reachable = true;
        this.shape = got.shape;
        await device.seen.bulkDelete(rows.map((r) => r.id));
        await this.count();
        if (got.step !== this.step) await this.fetch(firstSize);
      }
      if (this.rest.length < roundSize) await this.fetch(reserveSize);
    } catch (e) {
      await this.failed(e);
    } finally {
      this.sending = false;
    }
  }

  private async failed(e: unknown) {
    if (e instanceof Refusal && e.status === 404) {
      this.dead = e.message;
      // Whoever has no link any more has no questions any more either.
      await device.kept.delete(`quiz ${this.key}`);
      await device.seen.where('link').equals(this.key).modify({ link: ended });
      await this.count();
    } else if (unanswered(e)) {
      this.reachable = false;
      clearTimeout(this.timer);
      this.timer = setTimeout(() => void this.send(), retryAfter);
    } else this.problem = e instanceof Error ? e.message : String(e);
  }
}
