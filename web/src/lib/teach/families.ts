/** The families of actions, in the order in which they are taught. */
export const families = [
  { id: 'off-ball', name: 'Off the ball', about: 'a screen for a teammate without it' },
  { id: 'ball', name: 'Ball screens', about: 'coverage first, then the help' },
  { id: 'handoff', name: 'Handoffs', about: 'the ball is the screen' },
  { id: 'post', name: 'Around the post', about: 'after the feed, away from it, and into it' },
  {
    id: 'closeout',
    name: 'Catches and drives',
    about: 'where most possessions end, and where the others go'
  },
  { id: 'zone', name: 'Against a zone', about: 'no player to read: read the gap and the shift' }
] as const;
