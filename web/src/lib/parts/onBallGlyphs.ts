import { cutterPost, type Glyph } from './glyph';

/** What is done with the ball, around a post and against a coverage. */
export const onBallGlyphs: Record<string, Glyph> = {
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

  catchshoot: {
    way: 'M21 30V18',
    ball: [21, 12],
    bar: 'M15 30.500H27',
    post: [8, 21],
    hollow: false,
    tape: '--tape-green'
  },
  drivegap: {
    way: 'M26 8L14 20',
    tip: [11.8, 22.2, 135],
    bar: 'M12 8L20 16',
    post: [22, 25],
    hollow: false,
    tape: '--tape-blue'
  },
  fakego: {
    way: 'M26 8V14L13 12L6 22',
    tip: [4.3, 24.5, 125],
    post: [17, 21],
    hollow: false,
    tape: '--tape-violet'
  },
  leadfoot: {
    way: 'M26 8L9.500 24.500',
    tip: [7.3, 26.7, 135],
    bar: 'M20 23L27 16',
    post: [14, 11],
    hollow: false,
    tape: '--tape-rose'
  },
  swing: {
    way: 'M7 10L11 14M14.500 17.500L18.500 21.500',
    tip: [21.4, 24.4, 45],
    ball: [5, 6],
    post: [26.5, 27],
    hollow: false,
    tape: '--tape-teal'
  },
  make: {
    way: 'M25 28C25 14 20 8 12 9',
    tip: [9.5, 10, 165],
    bar: 'M3 17H15',
    ball: [9, 22],
    post: [25, 28],
    hollow: true,
    tape: '--tape-green'
  },
  hitcutter: {
    way: 'M23 9.500L20 12.500M17 15.500L14.500 18',
    tip: [11.8, 20.8, 135],
    ball: [26, 6.5],
    post: [8, 26],
    hollow: false,
    tape: '--tape-blue'
  },
  hitscreener: {
    way: 'M9 9.500L12 12.500M15 15.500L17.500 18',
    tip: [20.2, 20.8, 45],
    bar: 'M18 30.500H30',
    ball: [6, 6.5],
    post: [24, 25],
    hollow: true,
    tape: '--tape-violet'
  },
  staywide: { way: 'M9 14H23', bar: 'M6 7V21M26 7V21', post: [16, 25], hollow: false, tape: '--tape-green' },
  drift: {
    way: 'M9 13C11 22 16 26 24 26',
    tip: [27.5, 26, 0],
    ball: [22, 8],
    post: [8, 8],
    hollow: false,
    tape: '--tape-orange'
  },
  lift: {
    way: 'M26 29C27 21 25 15 21 10.500',
    tip: [19, 8.3, -132],
    ball: [7, 24],
    post: [16, 24],
    hollow: false,
    tape: '--tape-teal'
  },
  clearside: {
    way: 'M25 26C22 13 12 11 6.500 20',
    tip: [5, 22.6, 120],
    bar: 'M29 5V17',
    post: [15, 27],
    hollow: false,
    tape: '--tape-brown'
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
