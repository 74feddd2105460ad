import type { Schemas } from '$lib/api/client';

type Rep = Schemas['OrderRep'];

/** A rep's players on offense, in the order of the drill's positions. */
export const offense = (r: Rep) => [
  ...[r.cutter, r.screener].filter((id) => id !== ''),
  ...(r.others ?? []).map((o) => o.player)
];

/** A rep's players on defense. */
export const defense = (r: Rep) => [
  ...[r.xCutter, r.xScreener].filter((id) => id !== ''),
  ...(r.xOthers ?? []).map((o) => o.player)
];
