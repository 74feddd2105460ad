const depth = 200; // states kept

/** A state that is changed in steps, each of which can be undone. */
export class History<T> {
  now: T;
  private past = $state.raw<T[]>([]);
  private future = $state.raw<T[]>([]);

  canUndo = $derived(this.past.length > 0);
  canRedo = $derived(this.future.length > 0);

  constructor(first: T) {
    this.now = $state.raw(first);
  }

  /** Goes on to another state; to the same one is no step. */
  step(next: T) {
    if (JSON.stringify(next) === JSON.stringify(this.now)) return;
    this.past = [...this.past.slice(1 - depth), this.now];
    this.future = [];
    this.now = next;
  }

  /** Back to the state before; false if there is none. */
  undo(): boolean {
    if (!this.canUndo) return false;
    this.future = [this.now, ...this.future];
    this.now = this.past.at(-1)!;
    this.past = this.past.slice(0, -1);
    return true;
  }

  /** Forward again; false if nothing was undone. */
  redo(): boolean {
    if (!this.canRedo) return false;
    this.past = [...this.past, this.now];
    this.now = this.future[0]!;
    this.future = this.future.slice(1);
    return true;
  }
}
