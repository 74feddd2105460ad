import { api, ask } from '$lib/api/client';
import { orError, signedIn } from '$lib/state/load';
import type { PageLoad } from './$types';

/** A practice as it goes on paper. */
export const load: PageLoad = async ({ params, parent }) => {
  await signedIn(parent);
  const path = { teamId: params.team, practiceId: params.practice };
  const [practice, players] = await orError(
    Promise.all([
      ask(api.GET('/api/teams/{teamId}/practices/{practiceId}', { params: { path } })),
      ask(api.GET('/api/teams/{teamId}/players', { params: { path } }))
    ])
  );
  return { practice, players };
};
