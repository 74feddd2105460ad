import { api, ask } from '$lib/api/client';
import { orError, signedIn } from '$lib/state/load';
import type { PageLoad } from './$types';

/** The offenses, the parts to make one of, and the team's own. */
export const load: PageLoad = async ({ params, parent }) => {
  await signedIn(parent);
  return {
    view: await orError(
      ask(api.GET('/api/teams/{teamId}/offense', { params: { path: { teamId: params.team } } }))
    )
  };
};
