/**
 * The read glyphs: the way of a cut round a post, drawn in a 32 x 32 field with
 * the rim low on the left and the ball at the top. A cutter passes a solid
 * post; a screener leaves a hollow one. Shape alone tells them apart; the tape
 * colour only helps.
 */
export interface Glyph {
  /** The way of the player. */
  way: string;
  /** Tip of the arrow and the direction it points to, degrees from +x, y down. */
  tip?: [number, number, number];
  /** A bar square to the way: a screen, or a man taken along. */
  bar?: string;
  /** A held ball. */
  ball?: [number, number];
  post: [number, number];
  hollow: boolean;
  tape: string;
}

const cutterPost: [number, number] = [13, 17];
const screenerPost: [number, number] = [15, 18];

export const glyphs: Record<string, Glyph> = {
  curl: {
    way: 'M22 30C23 18 21 8 13.500 8C7 8 5.500 15 4.500 24',
    tip: [4.3, 26, 98],
    post: cutterPost,
    hollow: false,
    tape: '--tape-blue'
  },
  straight: {
    way: 'M20.500 30V5',
    tip: [20.5, 3, -90],
    post: cutterPost,
    hollow: false,
    tape: '--tape-green'
  },
  fade: {
    way: 'M20 30C20 22 19.500 19 20.500 17L27.500 10',
    tip: [29, 8.5, -45],
    post: cutterPost,
    hollow: false,
    tape: '--tape-orange'
  },
  backcut: {
    way: 'M22 30L21 13L7 26',
    tip: [5, 28, 137],
    post: [13, 14],
    hollow: false,
    tape: '--tape-violet'
  },
  flare: {
    way: 'M19 30L20 18C21 11 29 12 28.500 21',
    tip: [28.3, 24, 95],
    post: cutterPost,
    hollow: false,
    tape: '--tape-orange'
  },
  clear: {
    way: 'M19.500 30V20C19.500 14 22 11 27 8',
    bar: 'M24.500 4.500L29.500 11.500',
    post: cutterPost,
    hollow: false,
    tape: '--tape-teal'
  },
  rimcut: {
    way: 'M27 3L10 24',
    tip: [8.2, 26.4, 129],
    post: [12.5, 10.5],
    hollow: false,
    tape: '--tape-blue'
  },
  stepout: {
    way: 'M25 3L19 12C15.500 19 21 24.500 25.500 19.500',
    tip: [28.2, 15.8, -52],
    post: [10.5, 13],
    hollow: false,
    tape: '--tape-orange'
  },
  keep: { way: 'M20.500 30V15', ball: [20.5, 9], post: cutterPost, hollow: false, tape: '--tape-rose' },
  pop: {
    way: 'M17 14.500L23 5.500',
    tip: [24.2, 3.6, -57],
    post: screenerPost,
    hollow: true,
    tape: '--tape-blue'
  },
  shape: {
    way: 'M15 13.500V10M7 9C9 4 21 4 23 9',
    post: screenerPost,
    hollow: true,
    tape: '--tape-green'
  },
  rescreen: {
    way: 'M18 21C23 24 27 20 27 13',
    bar: 'M22 11.500L31 12.500',
    post: screenerPost,
    hollow: true,
    tape: '--tape-orange'
  },
  step: {
    way: 'M15 13.500V9',
    tip: [15, 7, -90],
    ball: [15, 2.5],
    post: screenerPost,
    hollow: true,
    tape: '--tape-violet'
  },
  split: {
    way: 'M12 21.500L6 28',
    tip: [4.7, 29.5, 132],
    bar: 'M19 12L23.500 19.500',
    post: screenerPost,
    hollow: true,
    tape: '--tape-teal'
  },
  slip: {
    way: 'M12.500 22C11 27 9 29 5 29',
    tip: [3, 29.2, 178],
    post: screenerPost,
    hollow: true,
    tape: '--tape-rose'
  }
};

/** The tape colour of a read, as a CSS value. */
export function tapeOf(read: string): string {
  return `var(${glyphs[read]?.tape ?? '--line'})`;
}

/** Where a cue's defenders stand round the post, for its small picture. */
export const cues: Record<
  string,
  { name: string; x: [number, number, number]; xs?: [number, number, number] }
> = {
  trail: { name: 'Trail', x: [23, 27, -90] },
  stuck: { name: 'Stuck', x: [13, 25, -70] },
  under: { name: 'Under', x: [4.5, 18, -60] },
  jump: { name: 'Jump', x: [24, 6, 90] },
  switch: { name: 'Switch', x: [7, 24, 0], xs: [24, 6, 90] },
  show: { name: 'Show', x: [24, 28, -90], xs: [25, 6, 90] }
};

export function cueName(cue: string): string {
  return cues[cue]?.name ?? 'No cue';
}

/** The cue a read answers in a table, to colour a map. */
export function readOfCue(rows: { cue: string; cutterRead: string }[], cue: string): string {
  return rows.find((r) => r.cue === cue)?.cutterRead ?? '';
}
