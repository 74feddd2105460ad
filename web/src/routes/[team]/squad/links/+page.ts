import { api, ask } from '$lib/api/client';
import { orError, signedIn } from '$lib/state/load';
import type { PageLoad } from './$types';

/** Who on the team has a private link. */
export const load: PageLoad = async ({ params, parent }) => {
  await signedIn(parent);
  const path = { teamId: params.team };
  const [players, links] = await orError(
    Promise.all([
      ask(api.GET('/api/teams/{teamId}/players', { params: { path } })),
      ask(api.GET('/api/teams/{teamId}/links', { params: { path } }))
    ])
  );
  return { players, links };
};
