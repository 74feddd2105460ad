import type { Glyph } from './glyph';

/** The small pictures of the answers to a drive, to a zone and after a catch. */
export const spaceGlyphs: Record<string, Glyph> = {
  guarded: {
    way: 'M6 20L13 27L27 9',
    bar: 'M5 8H17',
    post: [11, 14],
    hollow: false,
    tape: '--tape-green'
  },
  finish: {
    way: 'M26 7L12 21',
    tip: [9.8, 23.2, 135],
    bar: 'M3 21L11 29',
    post: [22, 22],
    hollow: false,
    tape: '--tape-orange'
  },
  basecut: {
    way: 'M5 26H23',
    tip: [26.5, 26, 0],
    bar: 'M4 30.500H28',
    post: [16, 15],
    hollow: false,
    tape: '--tape-rose'
  },
  feedhigh: {
    way: 'M25 20L22 17.500M19 15L16 12.500',
    tip: [13, 10, -140],
    ball: [28, 23],
    post: [9, 7],
    hollow: true,
    tape: '--tape-teal'
  },
  skippass: {
    way: 'M28 14C24 7 21 5 18 5M14 5C10 6 8 9 6 13',
    tip: [5, 16, 110],
    post: [16, 22],
    hollow: false,
    tape: '--tape-violet'
  },
  hitshooter: {
    way: 'M9 22L12 19M15 16L18 13',
    tip: [20.5, 10.5, -45],
    ball: [6, 25],
    bar: 'M18 4H30',
    post: [25, 18],
    hollow: false,
    tape: '--tape-orange'
  },
  skipto: {
    way: 'M27 6C20 5 15 8 12 12M9.500 16L7 21',
    tip: [6, 24, 110],
    bar: 'M3 30.500H13',
    post: [21, 20],
    hollow: false,
    tape: '--tape-teal'
  },
  fillspot: {
    way: 'M26 28C26 20 22 14 15 11',
    tip: [12, 9.8, -160],
    post: [8, 8],
    hollow: true,
    tape: '--tape-teal'
  },
  cutaway: {
    way: 'M27 12L22 6C14 6 10 14 8 22',
    tip: [7.2, 25, 105],
    post: [18, 18],
    hollow: false,
    tape: '--tape-orange'
  },
  takehand: {
    way: 'M5 12C10 5 18 5 22 12L25 21',
    tip: [26, 24.3, 72],
    ball: [16, 14],
    post: [14, 21],
    hollow: true,
    tape: '--tape-blue'
  },
  slideslot: {
    way: 'M27 9C20 4 12 4 7 9',
    tip: [4.6, 11.4, 135],
    post: [16, 20],
    hollow: false,
    tape: '--tape-violet'
  },
  comebehind: {
    way: 'M6 7C6 15 10 20 18 21',
    tip: [21.5, 21, 0],
    ball: [26, 27],
    post: [20, 10],
    hollow: false,
    tape: '--tape-teal'
  },
  staydeep: {
    way: 'M8 25H20',
    bar: 'M5 30.500H27M28 19V30.500',
    post: [24, 24],
    hollow: false,
    tape: '--tape-green'
  },
  driftbase: {
    way: 'M26 12C26 20 24 25 17 26',
    tip: [13.5, 26, 180],
    bar: 'M4 30.500H28',
    post: [8, 20],
    hollow: false,
    tape: '--tape-rose'
  },
  liftup: {
    way: 'M25 28V13',
    tip: [25, 9.5, -90],
    bar: 'M15 30.500H30',
    post: [11, 14],
    hollow: false,
    tape: '--tape-teal'
  },
  stephigh: {
    way: 'M22 27V15',
    tip: [22, 11.5, -90],
    bar: 'M14 6H30',
    post: [10, 22],
    hollow: true,
    tape: '--tape-blue'
  },
  shortcorner: {
    way: 'M10 10C14 14 18 18 22 23',
    tip: [24.3, 25.6, 48],
    bar: 'M4 30.500H28',
    post: [7, 20],
    hollow: true,
    tape: '--tape-orange'
  },
  showhigh: {
    way: 'M16 24V14',
    bar: 'M6 8V18M26 8V18',
    ball: [16, 6],
    post: [16, 27],
    hollow: true,
    tape: '--tape-green'
  },
  catchturn: {
    way: 'M22 8C28 14 26 23 17 24',
    tip: [13.6, 24, 180],
    ball: [16, 6],
    post: [15, 15],
    hollow: true,
    tape: '--tape-violet'
  },
  lowpass: {
    way: 'M14 11L17 15M19 18L21 21',
    tip: [23, 24, 56],
    bar: 'M17 30.500H30',
    ball: [11, 8],
    post: [7, 18],
    hollow: true,
    tape: '--tape-rose'
  }
};
