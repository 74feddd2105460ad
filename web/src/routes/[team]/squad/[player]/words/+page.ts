import { api, ask } from '$lib/api/client';
import { orError, signedIn } from '$lib/state/load';
import type { PageLoad } from './$types';

/** What the log says of a player. */
export const load: PageLoad = async ({ params, parent }) => {
  await signedIn(parent);
  const path = { teamId: params.team, playerId: params.player };
  const card = await orError(ask(api.GET('/api/teams/{teamId}/players/{playerId}', { params: { path } })));
  return { card, title: card.player.name };
};
