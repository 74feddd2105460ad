import { cutterPost, screenerPost, type Glyph } from './glyph';

/** What cutters do, and what screeners do at every screen. */
export const offBallGlyphs: Record<string, Glyph> = {
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
  }
};
