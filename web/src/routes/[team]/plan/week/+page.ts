import { api, ask } from '$lib/api/client';
import { orError, signedIn } from '$lib/state/load';
import type { PageLoad } from './$types';

/** What a week's practices ask of every player, against the limits of the age. */
export const load: PageLoad = async ({ params, url, parent }) => {
  await signedIn(parent);
  const path = { teamId: params.team };
  const from = url.searchParams.get('from') ?? undefined;
  const [week, players] = await orError(
    Promise.all([
      ask(api.GET('/api/teams/{teamId}/loads', { params: { path, query: { from } } })),
      ask(api.GET('/api/teams/{teamId}/players', { params: { path } }))
    ])
  );
  return { week, players, wide: true };
};
