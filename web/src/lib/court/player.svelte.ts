import type { Schemas } from '$lib/api/client';

const slowSpeed = 0.35;
const decision = 'Read'; // the engine's name for the moment that decides
const pause = 0.7; // seconds a play holds still there

/** Plays key frames that the engine made; the browser only moves the hands of
 * the clock. */
export class Player {
  play = $state.raw<Schemas['Play'] | null>(null);
  time = $state(0);
  running = $state(false);
  slow = $state(false);
  /** Told when the play has come to its end by itself. */
  ended: (() => void) | null = null;
  private frame = 0;
  private held = 0;
  /** The play holds still at the moment that decides. */
  holding = $state(false);

  /** The moment the play is in. */
  moment = $derived.by(() => {
    const steps = this.play?.steps ?? [];
    return [...steps].reverse().find((s) => s.t <= this.time + 1e-6) ?? null;
  });

  load(play: Schemas['Play']) {
    this.stop();
    this.play = play;
    this.time = 0;
  }

  start(play: Schemas['Play']) {
    this.load(play);
    this.resume();
  }

  /** Plays; for whoever asked their device for less motion it stands at the first moment, to be gone through step by
   * step. */
  show(play: Schemas['Play']) {
    this.load(play);
    if (!matchMedia('(prefers-reduced-motion: reduce)').matches) this.resume();
  }

  /** Goes on from where it was stopped. */
  resume() {
    if (this.running) return;
    this.running = true;
    let last = performance.now();
    const tick = (now: number) => {
      if (!this.running || !this.play) return;
      this.advance(((now - last) / 1000) * (this.slow ? slowSpeed : 1));
      last = now;
      if (this.time >= this.play.duration) {
        this.running = false;
        this.ended?.();
      } else this.frame = requestAnimationFrame(tick);
    };
    this.frame = requestAnimationFrame(tick);
  }

  /** Goes on by some seconds, but for the pause at the decision. */
  private advance(by: number) {
    const play = this.play!;
    const decides = play.steps.find((s) => s.name === decision)?.t ?? Infinity;
    // A quiz ends its clip at the decision: the question comes at once.
    const ends = decides >= play.duration;
    const next = Math.min(play.duration, this.time + by);
    const due = !ends && this.time < decides && next >= decides;
    if (!due && !this.holding) {
      this.time = next;
      return;
    }
    this.time = decides;
    this.held = this.holding ? this.held + by : 0;
    this.holding = this.held < pause;
    if (!this.holding) this.time = Math.min(play.duration, decides + 1e-3);
  }

  /** Shows a time of the play and stands still there. */
  seek(time: number) {
    this.stop();
    this.time = time;
  }

  /** Goes to the next moment, and from the last one back to the first. */
  step() {
    if (!this.play) return;
    this.stop();
    const next = this.play.steps.find((s) => s.t > this.time + 1e-6);
    this.time = next ? next.t : 0;
  }

  stop() {
    this.running = false;
    this.holding = false;
    cancelAnimationFrame(this.frame);
  }

  clear() {
    this.stop();
    this.play = null;
    this.time = 0;
  }
}
