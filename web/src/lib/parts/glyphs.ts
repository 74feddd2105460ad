import type { Glyph } from './glyph';
import { offBallGlyphs } from './offBallGlyphs';
import { onBallGlyphs } from './onBallGlyphs';
import { spaceGlyphs } from './spaceGlyphs';

export const glyphs: Record<string, Glyph> = { ...offBallGlyphs, ...onBallGlyphs, ...spaceGlyphs };

/** The tape color of a read, as a CSS value. */
export function tapeOf(read: string): string {
  return `var(${glyphs[read]?.tape ?? '--line'})`;
}

type Wedge = [number, number, number];

/** Where a cue's defenders stand around the post, for its small picture. */
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
  helped: { x: [5, 27, -40], xs: [17, 10, 130] },
  late: { x: [3.5, 29, -45] },
  short: { x: [6, 25, -45] },
  balanced: { x: [10, 22, -45] },
  flying: { x: [9, 27, -75], xs: [4, 30, -75] },
  'front-foot': { x: [10, 23, 10] },
  'low-help': { x: [23, 27, -90], xs: [4, 28, -45] },
  'big-up': { x: [24, 28, -90], xs: [7, 22, -30] },
  'middle-drive': { x: [26, 26, 180] },
  'baseline-drive': { x: [26, 29, 150] },
  'at-you': { x: [28, 17, 180] },
  stopped: { x: [22, 26, -90], xs: [13, 27, -90] },
  'gap-shut': { x: [10, 8, 90], xs: [17, 8, 90] },
  'gap-open': { x: [4, 8, 90], xs: [28, 8, 90] },
  'middle-low': { x: [13, 29, -90] },
  'middle-up': { x: [13, 25, -90] },
  'bottom-up': { x: [24, 24, -100], xs: [26, 8, 120] },
  'slid-up': { x: [22, 9, 90] },
  'stays-low': { x: [4, 29, -40] },
  'helps-low': { x: [6, 27, -50], xs: [26, 28, -90] },
  'helps-high': { x: [25, 9, 110], xs: [6, 28, -60] }
};

/** The cue a read answers in a table, to color a map. */
export function readOfCue(rows: { cue: string; cutterRead: string }[], cue: string): string {
  return rows.find((r) => r.cue === cue)?.cutterRead ?? '';
}
