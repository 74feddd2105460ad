/**
 * The read glyphs: the way of a cut around a post, drawn in a 32 x 32 field with
 * the rim low on the left and the ball at the top. A cutter passes a solid
 * post; a screener leaves a hollow one. Shape alone tells them apart; the tape
 * color only helps.
 */
export interface Glyph {
  /** The way of the player. */
  way: string;
  /** Tip of the arrow and the direction it points to, degrees from +x, y down. */
  tip?: [number, number, number];
  /** A bar square to the way: a screen, or a defender taken along. */
  bar?: string;
  /** A held ball. */
  ball?: [number, number];
  post: [number, number];
  hollow: boolean;
  tape: string;
}

export const cutterPost: [number, number] = [13, 17];
export const screenerPost: [number, number] = [15, 18];
