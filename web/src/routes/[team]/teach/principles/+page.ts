import { api, ask } from '$lib/api/client';
import { orError, signedIn } from '$lib/state/load';
import type { PageLoad } from './$types';

/** The team's principles. */
export const load: PageLoad = async ({ params, parent }) => {
  await signedIn(parent);
  const path = { teamId: params.team };
  return { view: await orError(ask(api.GET('/api/teams/{teamId}/principles', { params: { path } }))) };
};
