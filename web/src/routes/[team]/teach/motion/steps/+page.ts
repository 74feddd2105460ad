import { api, ask } from '$lib/api/client';
import { asked } from '$lib/offense/asked';
import { orError, signedIn } from '$lib/state/load';
import type { PageLoad } from './$types';

const passes = 6; // pictures on a page
const wingsDenied = 1; // as a share

/** Some passes of an offense without defense, or with the wings denied. */
export const load: PageLoad = async ({ params, url, parent }) => {
  await signedIn(parent);
  const at = { params: { path: { teamId: params.team } } };
  const view = await orError(ask(api.GET('/api/teams/{teamId}/offense', at)));
  const offense = asked(view, url.searchParams.get('offense'));
  const denied = url.searchParams.get('denied') !== null;
  const dials = { react: 1, help: 0, jump: 0, hands: 0, deny: denied ? wingsDenied : 0 };
  const against = { defended: denied, zone: false, dials };
  const run = await orError(
    ask(api.POST('/api/teams/{teamId}/offense/watch', { ...at, body: { offense, passes, against, seed: 1 } }))
  );
  return { view, offense, denied, run };
};
