import { api, ask } from '$lib/api/client';
import { orError, signedIn } from '$lib/state/load';
import type { PageLoad } from './$types';

/** What a practice came to. */
export const load: PageLoad = async ({ params, parent }) => {
  await signedIn(parent);
  const path = { teamId: params.team, practiceId: params.practice };
  return {
    view: await orError(
      ask(api.GET('/api/teams/{teamId}/practices/{practiceId}/review', { params: { path } }))
    )
  };
};
