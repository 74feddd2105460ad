import { api, ask } from '$lib/api/client';
import { datedOrKept } from '$lib/state/device';
import { orError, signedIn } from '$lib/state/load';
import type { PageLoad } from './$types';

/** Where the team stands, or what this device kept of it. */
export const load: PageLoad = async ({ params, parent }) => {
  await signedIn(parent);
  const path = { teamId: params.team };
  const now = await orError(
    datedOrKept(`now ${params.team}`, ask(api.GET('/api/teams/{teamId}/now', { params: { path } })))
  );
  return { now: now.value, since: now.since };
};
