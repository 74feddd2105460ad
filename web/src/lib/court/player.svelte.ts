import type { Schemas } from '$lib/api/client';

const slowSpeed = 0.35;

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

  /** Goes on from where it was stopped. */
  resume() {
    if (this.running) return;
    this.running = true;
    let last = performance.now();
    const tick = (now: number) => {
      if (!this.running || !this.play) return;
      this.time = Math.min(
        this.play.duration,
        this.time + ((now - last) / 1000) * (this.slow ? slowSpeed : 1)
      );
      last = now;
      if (this.time >= this.play.duration) {
        this.running = false;
        this.ended?.();
      } else this.frame = requestAnimationFrame(tick);
    };
    this.frame = requestAnimationFrame(tick);
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
    cancelAnimationFrame(this.frame);
  }

  clear() {
    this.stop();
    this.play = null;
    this.time = 0;
  }
}
