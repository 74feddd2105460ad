import type { Draft } from './draft.svelte';
import { dropIndex, place } from './stretches';

export const perMinute = 7.2; // px of the run sheet
const slack = 6; // px before a press becomes a drag
const longest = 60; // minutes a block can have

interface Held {
  id: string;
  how: 'move' | 'size';
  /** Where it was taken and where it is now, in px of the window. */
  from: number;
  y: number;
  moved: boolean;
}

/** The blocks of a run sheet, and the one in hand: it is moved, or its lower edge is. */
export class SheetDrag {
  held = $state<Held | null>(null);

  /** top is where the sheet begins, in px of the window. */
  constructor(
    private draft: Draft,
    private top: () => number | undefined
  ) {}

  // While an edge is dragged the sheet shows the new length; it is a change once it is let go.
  readonly blocks = $derived.by(() => {
    const held = this.held;
    if (held?.how !== 'size') return this.draft.input.blocks;
    const by = Math.round((held.y - held.from) / perMinute);
    return this.draft.input.blocks.map((b) =>
      b.id === held.id ? { ...b, minutes: Math.min(longest, Math.max(1, b.minutes + by)) } : b
    );
  });
  readonly placed = $derived(place(this.blocks));
  /** Minutes the sheet is long. */
  readonly total = $derived.by(() =>
    Math.max(this.draft.input.minutes, ...this.placed.map((p) => Math.ceil(p.end)))
  );
  /** Before which block the one in hand would be put; -1 where none is moved. */
  readonly target = $derived.by(() => {
    const top = this.top();
    if (this.held?.how !== 'move' || !this.held.moved || top === undefined) return -1;
    return dropIndex(this.placed, (this.held.y - top) / perMinute);
  });
  /** The minute at which that block begins. */
  readonly dropAt = $derived(this.target < 0 ? 0 : (this.placed[this.target]?.start ?? this.total));

  lifts(id: string): boolean {
    return this.held?.how === 'move' && this.held.moved && this.held.id === id;
  }

  press(e: PointerEvent, id: string, how: Held['how']) {
    if (e.button !== 0) return;
    this.draft.chosen = id;
    this.held = { id, how, from: e.clientY, y: e.clientY, moved: false };
    (e.currentTarget as HTMLElement).setPointerCapture(e.pointerId);
    if (how === 'size') e.stopPropagation();
  }

  pull = (e: PointerEvent) => {
    const held = this.held;
    if (held)
      this.held = { ...held, y: e.clientY, moved: held.moved || Math.abs(e.clientY - held.from) > slack };
  };

  drop = () => {
    if (!this.held) return;
    const { id, how, moved } = this.held;
    const minutesOf = (blocks: { id: string; minutes: number }[]) =>
      blocks.find((b) => b.id === id)?.minutes ?? 0;
    const size = minutesOf(this.blocks);
    const to = this.target;
    this.held = null;
    if (how === 'size' && size !== minutesOf(this.draft.input.blocks))
      this.draft.changeBlock(id, { minutes: size });
    if (how === 'move' && moved && to >= 0) this.draft.moveTo(id, to);
  };

  cancel = () => (this.held = null);
}
