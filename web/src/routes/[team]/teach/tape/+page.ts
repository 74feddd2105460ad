import { api, ask } from '$lib/api/client';
import { orError, signedIn } from '$lib/state/load';
import type { PageLoad } from './$types';

/** The court's spots as lengths on a tape measure, and those of the action that the address names. */
export const load: PageLoad = async ({ params, url, parent }) => {
  await signedIn(parent);
  const path = { teamId: params.team };
  const action = url.searchParams.get('action') ?? undefined;
  return {
    tape: await orError(ask(api.GET('/api/teams/{teamId}/tape', { params: { path, query: { action } } })))
  };
};
