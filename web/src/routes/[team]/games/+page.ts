import { api, ask } from '$lib/api/client';
import { orError, signedIn } from '$lib/state/load';
import type { PageLoad } from './$types';

/** The games of a team. */
export const load: PageLoad = async ({ params, parent }) => {
  await signedIn(parent);
  const path = { teamId: params.team };
  return { games: await orError(ask(api.GET('/api/teams/{teamId}/games', { params: { path } }))) };
};
