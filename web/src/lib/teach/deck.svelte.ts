import { mirrored } from '$lib/court/geometry';
import type { Schemas } from '$lib/api/client';

/** A lesson shown cue by cue: first the picture, then the answer. */
export class Deck {
  at = $state(0);
  answered = $state(false);
  /** The picture is mirrored. */
  onLeft = $state(false);

  constructor(
    readonly lesson: Schemas['Lesson'],
    cue: string | null,
    /** Hears when the picture changes. */
    private turned: () => void = () => {}
  ) {
    this.at = Math.max(
      0,
      lesson.rows.findIndex((r) => r.cue === cue)
    );
  }

  get count() {
    return this.lesson.rows.length;
  }

  get row() {
    return this.lesson.rows[this.at]!;
  }

  get picture() {
    const example = this.lesson.examples[this.at]!;
    return this.onLeft ? mirrored(example) : example;
  }

  /** Whose place decides the picture. */
  get decider() {
    return this.lesson.deciders[this.at];
  }

  get atStart() {
    return this.at === 0 && !this.answered;
  }

  get atEnd() {
    return this.at === this.count - 1 && this.answered;
  }

  /** The answer, then the next cue. */
  forward() {
    if (!this.answered) this.answered = true;
    else if (this.at < this.count - 1) this.turn(this.at + 1, false);
  }

  /** The picture without its answer, then the answer before. */
  backward() {
    if (this.answered) this.turn(this.at, false);
    else if (this.at > 0) this.turn(this.at - 1, true);
  }

  private turn(at: number, answered: boolean) {
    this.at = at;
    this.answered = answered;
    this.turned();
  }
}
