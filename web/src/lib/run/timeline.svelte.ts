import type { Schemas } from '$lib/api/client';
import { applied } from './clock';

type RunBlock = Schemas['RunBlock'];
type Clock = Schemas['Clock'];
type Action = Schemas['ClockAction'];
export type BasketNo = 1 | 2;

const minute = 60000; // ms
const longest = 6 * 60 * minute; // a practice with all its breaks (assumption)
const clockWasSet = 10_000; // ms; no answer takes this long (assumption)
const offsetKey = 'evrik.clock-offset';

/** The clock of a practice over its blocks, right after sleep, a reload, or on a
 * device whose own clock is wrong. */
export class Timeline {
  clock = $state.raw<Clock | null>(null);
  all = $state.raw<RunBlock[]>([]);
  /** When each block begins, in ms from the beginning, by its id. */
  starts = $state.raw(new Map<string, number>());
  /** How long the practice lasts, in minutes. */
  minutes = $state(0);
  /** The basket that is followed, where both are in use. */
  basket = $state<BasketNo>(1);
  now = $state(Date.now());
  private clockAt = $state(0);
  private heardOnce = false;
  private said = 0;
  /** How far the server's clock is ahead of this device's, in ms, as last heard. */
  private offset = $state(Number(localStorage.getItem(offsetKey)) || 0);

  lay(blocks: RunBlock[], starts: number[], minutes: number) {
    this.all = blocks;
    this.starts = new Map(blocks.map((b, i) => [b.block.id, (starts[i] ?? 0) * minute]));
    this.minutes = minutes;
  }

  private startOf = (b: RunBlock | undefined) => (b && this.starts.get(b.block.id)) ?? 0;
  /** What runs on the whole floor, and at the basket that is followed. */
  blocks = $derived(
    this.all.filter(
      (b) =>
        [0, this.basket].includes(b.block.basket) ||
        !this.beside(b).some((x) => x.block.basket === this.basket)
    )
  );
  private shown = $derived(this.all.find((b) => b.block.id === this.clock?.block) ?? this.all[0]);
  /** How long the block that the clock names has run. */
  ran = $derived(
    (this.clock?.elapsedMs ?? 0) + (this.clock?.running ? Math.max(0, this.now - this.clockAt) : 0)
  );
  /** Where in the plan the floor is, in ms from its beginning. */
  private place = $derived(this.startOf(this.shown) + this.ran);
  /** One clock runs both baskets: here it is the block of this one that is due. */
  at = $derived.by(() => {
    const index = (b: RunBlock | undefined) => Math.max(0, b ? this.blocks.indexOf(b) : 0);
    if (!this.shown || this.shown.block.basket === 0) return index(this.shown);
    const mine = this.beside(this.shown).filter((b) => this.blocks.includes(b));
    return index(mine.findLast((b) => this.startOf(b) <= this.place) ?? mine[0]);
  });
  current = $derived<RunBlock | undefined>(this.blocks[this.at]);
  next = $derived<RunBlock | undefined>(this.blocks[this.at + 1]);
  private elapsed = $derived(this.place - this.startOf(this.current));
  left = $derived((this.current?.block.minutes ?? 0) * minute - this.elapsed);

  /** Since the clock was first started, by the server's time; undefined before, and
   * when the practice is taken up again on another day. */
  private whole = $derived.by(() => {
    if (!this.clock?.began) return undefined;
    const since = this.now + this.offset - Date.parse(this.clock.began);
    return since < longest ? since : undefined;
  });
  /** What is left of the whole practice, in ms. */
  practiceLeft = $derived(this.whole === undefined ? undefined : this.minutes * minute - this.whole);
  private end = $derived(Math.max(0, ...this.all.map((b) => this.startOf(b) + b.block.minutes * minute)));
  /** By how many minutes the practice will end late; negative is early. A block
   * that runs over pushes the rest. */
  behind = $derived.by(() => {
    if (this.whole === undefined) return 0;
    const place = Math.min(this.place, this.place + this.left);
    return Math.round((this.whole + this.end - place) / minute - this.minutes);
  });

  /** The blocks that run at the two baskets together with one of them. */
  beside(b: RunBlock): RunBlock[] {
    let from = this.all.indexOf(b);
    let to = from;
    while (from > 0 && this.all[from - 1]!.block.basket > 0) from--;
    while (to + 1 < this.all.length && this.all[to + 1]!.block.basket > 0) to++;
    return b.block.basket === 0 ? [b] : this.all.slice(from, to + 1);
  }

  /** Now by the server's clock: this device's may be hours off. Never earlier than
   * what was said before, so that what is done here keeps its order. */
  time(): string {
    this.said = Math.max(Date.now() + this.offset, this.said + 1);
    return new Date(this.said).toISOString();
  }

  /** Takes the clock as the server tells it, unless what is here is newer; sure where
   * it answers what was done here. */
  hear(c: Clock, sure = false) {
    const at = Date.parse(c.now);
    const touched = (clock: Clock | null) => Date.parse(clock?.changed ?? '') || 0;
    // What an answer takes on the way makes the server look behind: the quickest
    // one is the truest, until somebody sets this device's clock.
    const ahead = at - Date.now();
    if (this.offset - ahead > clockWasSet) this.said = 0;
    if (!this.heardOnce || ahead > this.offset || this.offset - ahead > clockWasSet) this.offset = ahead;
    this.heardOnce = true;
    localStorage.setItem(offsetKey, String(this.offset));
    if (sure || touched(c) >= touched(this.clock)) this.set(c);
  }

  set(c: Clock) {
    this.clock = c;
    this.clockAt = Date.now();
    this.now = this.clockAt;
  }

  /** The clock as it stands, for when this device opens again without an answer. */
  snapshot(): Clock | null {
    return this.clock && { ...this.clock, elapsedMs: this.ran, now: this.time() };
  }

  /** Takes up a clock that was kept, and what was done to it since: it has gone on. */
  resume(kept: Clock, actions: Action[]) {
    const c = actions.reduce((clock, a) => this.applied(clock, a), kept);
    const since = c.running ? Math.max(0, Date.now() + this.offset - Date.parse(c.now)) : 0;
    this.set({ ...c, elapsedMs: c.elapsedMs + since });
  }

  /** Does something to the clock here, before the server has heard of it. */
  act(a: Action): Clock | null {
    if (this.clock)
      this.set(this.applied({ ...this.clock, elapsedMs: this.ran, now: a.at ?? this.clock.now }, a));
    return this.clock;
  }

  private applied(c: Clock, a: Action): Clock {
    return applied(
      c,
      a,
      this.all.map((b) => b.block.id)
    );
  }
}
