/** What a player may be marked as on the roster. */
export const marks = [
  ['handler', 'Handler'],
  ['wing', 'Wing'],
  ['big', 'Big'],
  ['shooter', 'Shooter']
] as const;
