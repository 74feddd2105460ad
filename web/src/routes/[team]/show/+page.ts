import { api, ask } from '$lib/api/client';
import { orError, signedIn } from '$lib/state/load';
import type { PageLoad } from './$types';

/** The lesson that the address names. */
export const load: PageLoad = async ({ params, url, parent }) => {
  await signedIn(parent);
  const query = { action: url.searchParams.get('action') ?? 'down' };
  const path = { teamId: params.team };
  return { lesson: await orError(ask(api.GET('/api/teams/{teamId}/lesson', { params: { path, query } }))) };
};
