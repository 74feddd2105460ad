import { api, ask } from '$lib/api/client';
import { datedOrKept } from '$lib/state/device';
import { orError, signedIn } from '$lib/state/load';
import type { PageLoad } from './$types';

/** The practices of a team, or what this device kept of them. */
export const load: PageLoad = async ({ params, parent }) => {
  await signedIn(parent);
  const path = { teamId: params.team };
  const list = await orError(
    datedOrKept(
      `practices ${params.team}`,
      ask(api.GET('/api/teams/{teamId}/practices', { params: { path } }))
    )
  );
  return { list: list.value, since: list.since };
};
