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
  },
  cutlow: {
    way: 'M28 10C25 20 18 26 8 26.500',
    tip: [5.5, 26.6, 178],
    post: [15, 15],
    hollow: false,
    tape: '--tape-green'
  },
  cutover: {
    way: 'M28 24C24 8 13 5 7 14',
    tip: [5.6, 16.4, 120],
    post: [16, 19],
    hollow: false,
    tape: '--tape-violet'
  },
  otherside: {
    way: 'M25 27C15 31 7 27 6 18',
    tip: [5.8, 15, -92],
    post: [22, 17],
    hollow: false,
    tape: '--tape-teal'
  },
  flash: {
    way: 'M4 25L18 10.500',
    tip: [20, 8.4, -46],
    post: [25, 24],
    hollow: false,
    tape: '--tape-orange'
  },
  forother: {
    way: 'M5 25L15 16',
    bar: 'M11.500 11L19.500 20',
    post: [25, 9],
    hollow: true,
    tape: '--tape-green'
  },

  seal: {
    way: 'M15 14V10',
    bar: 'M7 24H23',
    ball: [15, 5],
    post: [15, 18],
    hollow: true,
    tape: '--tape-teal'
  },
  change: {
    way: 'M26 13L19 14L9 26',
    tip: [7.2, 28.2, 129],
    post: [26, 7],
    hollow: true,
    tape: '--tape-violet'
  },
  roll: {
    way: 'M22 14C24 24 16 28 8 28',
    tip: [5.2, 28, 180],
    post: [20, 9],
    hollow: true,
    tape: '--tape-blue'
  },
  shortroll: {
    way: 'M20 13L14 21',
    bar: 'M8.500 19.500L17.500 26',
    post: [22.5, 9],
    hollow: true,
    tape: '--tape-teal'
  },
  flip: {
    way: 'M24 12C28 21 22 28 12 26',
    tip: [9.3, 25.4, 192],
    post: [17, 16],
    hollow: true,
    tape: '--tape-violet'
  },

  pullup: {
    way: 'M25 30C25 20 22 15 19 12.500',
    ball: [15.5, 8.5],
    post: [13, 20],
    hollow: false,
    tape: '--tape-blue'
  },
  snake: {
    way: 'M25 30C25 16 22 9 15 9C9 9 17 19 9 20.500',
    tip: [6.4, 20.8, 176],
    post: [16.5, 25.5],
    hollow: false,
    tape: '--tape-teal'
  },
  pocket: {
    way: 'M26 30V15M22 15.500L18.500 18M14.500 21L11.500 23.200',
    tip: [8.5, 25.4, 144],
    post: [15, 10.5],
    hollow: false,
    tape: '--tape-violet'
  },
  cornerpass: {
    way: 'M13 29V13M16.500 15L19.500 18M22.500 21L25 23.500',
    tip: [27.4, 26, 46],
    post: [6, 19],
    hollow: false,
    tape: '--tape-teal'
  },
  reject: {
    way: 'M22 30L20 20L27.500 11',
    tip: [29, 9, -52],
    post: [12, 15],
    hollow: false,
    tape: '--tape-violet'
  },
  shootbehind: {
    way: 'M23 30C23 25 22.500 22 22 19.500',
    ball: [21.5, 14],
    post: [12, 17],
    hollow: false,
    tape: '--tape-orange'
  },
  useagain: {
    way: 'M20 30C22 23 29 23 28 16C27 10 21.500 13 21.500 8.500',
    tip: [21.5, 5.5, -90],
    post: [12, 18],
    hollow: false,
    tape: '--tape-orange'
  },
  dragout: {
    way: 'M18 12L25 24',
    tip: [26.4, 26.6, 60],
    ball: [15, 7],
    post: [9, 18],
    hollow: false,
    tape: '--tape-rose'
  },
  through: {
    way: 'M16 30V7',
    tip: [16, 4.5, -90],
    bar: 'M4 17H12M20 17H28',
    post: [26.5, 26],
    hollow: false,
    tape: '--tape-rose'
  },
  passout: {
    way: 'M11.500 20.500L14.500 17.500M18 14L21 11',
    tip: [24.2, 7.8, -45],
    bar: 'M3.500 20L12 28.500',
    post: [24, 22],
    hollow: true,
    tape: '--tape-brown'
  },
  attackbig: {
    way: 'M26 29L15.500 15',
    tip: [14, 13, -127],
    bar: 'M5 13L15 5',
    post: [25, 12],
    hollow: false,
    tape: '--tape-green'
  },
  stepback: {
    way: 'M13.500 13L22 23.500',
    tip: [23.8, 25.8, 51],
    ball: [10.5, 9],
    post: [24, 10],
    hollow: false,
    tape: '--tape-orange'
  },
  backout: {
    way: 'M19 9C19 22 27 27 27.500 17',
    tip: [27.6, 14, -88],
    post: [10.5, 18],
    hollow: false,
    tape: '--tape-teal'
  },
  feedseal: {
    way: 'M22 22L19 19M16 16L13.500 13.500',
    tip: [11, 11, -135],
    bar: 'M2.500 15L11 4',
    ball: [25, 25],
    post: [26, 9],
    hollow: false,
    tape: '--tape-teal'
  },
  turncorner: {
    way: 'M24 30C24 12 15 7 5.500 22',
    tip: [4, 24.6, 121],
    post: [14, 19],
    hollow: false,
    tape: '--tape-blue'
  },
  backdoor: {
    way: 'M24 30L21.500 14L9 25',
    tip: [7, 26.9, 138],
    ball: [26, 9],
    post: [12, 13],
    hollow: false,
    tape: '--tape-violet'
  },
  hitpop: {
    way: 'M7 27L10 24M13.500 20.500L16.500 17.500',
    tip: [20, 14, -45],
    ball: [25, 9],
    post: [10, 13],
    hollow: true,
    tape: '--tape-violet'
  },
  hitslip: {
    way: 'M26 7L23 10M19.500 13.500L16.500 16.500',
    tip: [13, 20, 135],
    post: [7.5, 25.5],
    hollow: true,
    tape: '--tape-rose'
  },
  hitroll: {
    way: 'M25 6C26 12 25 15 22.500 17.500M19 20.500L16 22.500',
    tip: [12.5, 24.8, 147],
    post: [11, 12],
    hollow: true,
    tape: '--tape-blue'
  },

  fadecorner: {
    way: 'M20 30V20C20 15 24 14 26 18',
    tip: [27.6, 20.6, 60],
    bar: 'M28 27L31 23',
    post: cutterPost,
    hollow: false,
    tape: '--tape-orange'
  },
  keepdrive: {
    way: 'M18 14C10 14 6 18 5.500 24',
    tip: [5.2, 27, 95],
    ball: [22, 10],
    post: [12, 22],
    hollow: true,
    tape: '--tape-green'
  },
  floater: {
    way: 'M24 30C24 22 20 18 16 16',
    tip: [13.4, 15.4, 190],
    bar: 'M6 6C9 4 12 5 13 8',
    post: [8, 24],
    hollow: false,
    tape: '--tape-green'
  },
  lobroll: {
    way: 'M26 22C24 6 15 4 9.500 14',
    tip: [8.6, 17, 110],
    post: [9, 26],
    hollow: true,
    tape: '--tape-blue'
  },
  wingpass: {
    way: 'M26 26L22 22M18.500 18.500L14.500 14.500',
    tip: [11.6, 11.6, 225],
    bar: 'M4 12L12 4',
    post: [26, 9],
    hollow: true,
    tape: '--tape-orange'
  },
  waitattack: {
    way: 'M26 28V22M26 19V17L9 12',
    tip: [6, 11, 196],
    bar: 'M22 19H30',
    post: [14, 22],
    hollow: false,
    tape: '--tape-teal'
  },
  keepalive: {
    way: 'M26 8C20 6 10 10 8 18C7 24 14 28 22 25',
    tip: [25, 23.6, -25],
    post: [16, 17],
    hollow: false,
    tape: '--tape-brown'
  },
  weakdrive: {
    way: 'M22 8L10 26',
    tip: [8.4, 28.4, 122],
    bar: 'M24 16L30 20',
    post: [24, 24],
    hollow: false,
    tape: '--tape-violet'
  },
  reverse: {
    way: 'M27 24L22 24M18 24L13 22M10 19L8 14',
    tip: [7, 11, -110],
    bar: 'M22 8L28 14',
    post: [18, 10],
    hollow: true,
    tape: '--tape-brown'
  },

  handback: {
    way: 'M29 14C24 21 12 25 8 17.500',
    tip: [6.8, 14.9, -112],
    ball: [14, 5.5],
    post: [15, 14],
    hollow: false,
    tape: '--tape-blue'
  },
  cutclear: {
    way: 'M28 9L10 20L6 26',
    tip: [4.8, 28.2, 120],
    post: [22, 23],
    hollow: false,
    tape: '--tape-green'
  },
  relocate: {
    way: 'M10 6C20 5 27 11 27.500 19',
    tip: [27.6, 22, 90],
    post: [9, 21],
    hollow: false,
    tape: '--tape-orange'
  },
  screenslip: {
    way: 'M28 20L22 12M19 14L9.500 26',
    tip: [7.8, 28.2, 128],
    bar: 'M16 6L26 10',
    post: [7, 8],
    hollow: true,
    tape: '--tape-violet'
  },
  feed: {
    way: 'M27 7L23.500 10.500M20 14L17 17',
    tip: [13.8, 20.2, 135],
    bar: 'M3 21L12 30',
    post: [9.5, 23.5],
    hollow: true,
    tape: '--tape-blue'
  },
  lob: {
    way: 'M28 20C25 4 14 3 9.500 16',
    tip: [8.8, 19, 106],
    bar: 'M15 20L22 26',
    post: [9, 26],
    hollow: true,
    tape: '--tape-orange'
  },
  highlow: {
    way: 'M28 26L21 12M17 10L9.500 19.500',
    tip: [7.8, 21.8, 128],
    ball: [19.5, 7],
    post: [6, 27],
    hollow: true,
    tape: '--tape-violet'
  },

  giveback: {
    way: 'M15 16.500L18 13.500',
    tip: [21, 10.5, -45],
    ball: [24.5, 6.5],
    post: [11, 20],
    hollow: true,
    tape: '--tape-blue'
  },
  work: { way: 'M18.500 14L12 18V24', tip: [12, 27, 90], post: [22, 11], hollow: true, tape: '--tape-green' },
  kickout: {
    way: 'M12 19.500L15 16.500M18 13.500L21 10.500',
    tip: [24.4, 7.2, -45],
    bar: 'M3 13L12 11',
    post: [8.5, 23],
    hollow: true,
    tape: '--tape-orange'
  },
  holdseal: {
    way: 'M12.500 21L8 26',
    bar: 'M18.500 9L25 18',
    post: [15, 17],
    hollow: true,
    tape: '--tape-teal'
  }
};

/** The tape colour of a read, as a CSS value. */
export function tapeOf(read: string): string {
  return `var(${glyphs[read]?.tape ?? '--line'})`;
}

type Wedge = [number, number, number];

/** Where a cue's defenders stand round the post, for its small picture. */
export const cues: Record<string, { x: Wedge; xs?: Wedge }> = {
  trail: { x: [23, 27, -90] },
  stuck: { x: [13, 25, -70] },
  under: { x: [4.5, 18, -60] },
  jump: { x: [24, 6, 90] },
  switch: { x: [7, 24, 0], xs: [24, 6, 90] },
  show: { x: [24, 28, -90], xs: [25, 6, 90] },
  high: { x: [24, 7, 100] },
  low: { x: [24, 27, -100] },
  waits: { x: [23, 28, -90], xs: [28, 10, 140] },
  denied: { x: [26, 8, 110] },
  drop: { x: [23, 27, -90], xs: [5, 27, -45] },
  tag: { x: [23, 27, -90], xs: [4, 21, 0] },
  early: { x: [24, 6, 90] },
  'under-far': { x: [4.5, 12, -20] },
  hedge: { x: [23, 29, -90], xs: [26, 7, 110] },
  level: { x: [23, 27, -90], xs: [10, 9, -20] },
  'soft-show': { x: [23, 28, -90], xs: [22, 7, 90] },
  'hard-hedge': { x: [23, 29, -90], xs: [28, 9, 180] },
  weak: { x: [28, 14, 180], xs: [6, 26, -30] },
  blitz: { x: [29, 22, 215], xs: [25, 7, 100] },
  ice: { x: [24, 6, 90], xs: [14, 28, -60] },
  'tag-low': { x: [23, 27, -90], xs: [5, 24, 20] },
  turned: { x: [22, 26, 150] },
  asleep: { x: [28, 7, 130] },
  dig: { x: [14, 8, 90] },
  crowded: { x: [22, 26, -90], xs: [6, 25, -30] },
  doubled: { x: [14, 8, 80], xs: [5, 22, -30] },
  opens: { x: [4, 27, -40] },
  still: { x: [21, 26, -90] },
  behind: { x: [26, 24, -130], xs: [5, 21, -30] },
  fronted: { x: [26, 24, -130], xs: [17, 10, 130] },
  helped: { x: [5, 27, -40], xs: [17, 10, 130] }
};

/** The cue a read answers in a table, to colour a map. */
export function readOfCue(rows: { cue: string; cutterRead: string }[], cue: string): string {
  return rows.find((r) => r.cue === cue)?.cutterRead ?? '';
}
