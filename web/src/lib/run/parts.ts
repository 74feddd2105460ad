import type { Schemas } from '$lib/api/client';

type OrderRep = Schemas['OrderRep'];
type Link = Schemas['RunLink'];
type Place = Schemas['Position'];

/** Who can be judged at one action of a drill: role and name of the place. */
export function partsOf(link: Link | undefined, places: Place[], defended: boolean): [string, string][] {
  if (!link) return [['cutter', 'Shooter']];
  const name = (id: string | undefined) => places.find((p) => p.id === id)?.name ?? '';
  const { who, with: partner, third } = link.link;
  const out: [string, string][] = [['cutter', name(who)]];
  if (partner) out.push(['screener', name(partner)], ['both', 'Both']);
  if (link.third && third) out.push([link.third, name(third)]);
  if (defended) out.push(['defender', 'Defender']);
  return out;
}

/** Who has a role in a rep, by the places of the action that is watched. */
export function playerIn(
  rep: OrderRep,
  role: string,
  link: Link | undefined,
  places: Place[]
): string | undefined {
  if (role === 'defender') return rep.xCutter || undefined;
  if (!link) return role === 'screener' ? rep.screener : rep.cutter;
  const { who, with: partner, third } = link.link;
  const place = role === 'cutter' ? who : role === 'screener' ? partner : third;
  const [first, other] = places.filter((p) => !p.helper);
  if (place === first?.id) return rep.cutter;
  if (place === other?.id) return rep.screener;
  return rep.others?.find((o) => o.position === place)?.player;
}

/** Who a tag is about in a rep; undefined where no player has the part. */
export function partnerIn(
  rep: OrderRep,
  part: Schemas['Tag']['part'],
  playerOf: (role: string) => string | undefined
): string | undefined {
  if (part === 'first') return playerOf('cutter');
  if (part === 'second') return playerOf('screener');
  if (part === 'passer') return rep.others?.find((o) => o.position === 'passer')?.player;
  return rep.xCutter || undefined;
}
