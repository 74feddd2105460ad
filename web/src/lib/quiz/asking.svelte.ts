import type { Schemas } from '$lib/api/client';
import { Player } from '$lib/court/player.svelte';

type Item = Schemas['QuizItem'];

/** One question: it moves up to the instant of the read, stands still until it is
 * answered, and then goes on the way the answer is. */
export class Asking {
  readonly player = new Player();
  item = $state.raw<Item | null>(null);
  phase = $state<'rest' | 'moving' | 'asked' | 'told'>('rest');
  /** What was chosen; empty when the time ran out. */
  choice = $state('');
  /** Seconds from the instant of the read to the answer. */
  seconds = $state(0);
  /** Share of the time that is left, 1 to 0, while it is asked. */
  left = $state(1);
  private since = 0;
  private frame = 0;

  constructor(
    /** Hears the answer; nobody does in a round of the team. */
    private answered: (choice: string, seconds: number) => void = () => {},
    /** Whether the time runs. */
    private timed = true
  ) {}

  right = $derived(this.phase === 'told' && this.choice === this.item?.right);

  begin(item: Item) {
    this.stop();
    this.item = item;
    this.choice = '';
    this.seconds = 0;
    this.left = 1;
    this.phase = 'moving';
    this.player.ended = () => this.freeze();
    this.player.start({ ...item.play, duration: item.read });
  }

  /** Everybody stands: from now on the time runs, by a clock that cannot be set. */
  private freeze() {
    this.player.ended = null;
    this.phase = 'asked';
    this.since = performance.now();
    const tick = () => {
      if (this.phase !== 'asked' || !this.item) return;
      const gone = (performance.now() - this.since) / 1000;
      this.left = Math.max(0, 1 - gone / this.item.seconds);
      if (this.left === 0) this.answer('');
      else this.frame = requestAnimationFrame(tick);
    };
    if (this.timed) this.frame = requestAnimationFrame(tick);
  }

  answer(choice: string) {
    if (this.phase !== 'asked' || !this.item) return;
    const gone = (performance.now() - this.since) / 1000;
    // A phone that was put away meanwhile comes back when the time is long over.
    const over = this.timed && gone > this.item.seconds;
    this.seconds = over ? this.item.seconds : gone;
    this.choice = over ? '' : choice;
    this.phase = 'told';
    cancelAnimationFrame(this.frame);
    this.answered(this.choice, this.seconds);
    this.goOn(this.item.read);
  }

  /** Shows it again, slower, from the beginning. */
  again() {
    this.player.slow = true;
    this.goOn(0);
  }

  private goOn(from: number) {
    if (!this.item) return;
    this.player.load(this.item.play);
    this.player.time = from;
    this.player.resume();
  }

  stop() {
    cancelAnimationFrame(this.frame);
    this.player.ended = null;
    this.player.slow = false;
    this.player.clear();
    this.phase = 'rest';
  }
}
