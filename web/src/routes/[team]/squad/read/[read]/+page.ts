import { api, ask } from '$lib/api/client';
import { orError, signedIn } from '$lib/state/load';
import { session } from '$lib/state/session.svelte';
import type { PageLoad } from './$types';

/** One read: who has it, what is made in its place, and what to do about it. */
export const load: PageLoad = async ({ params, parent }) => {
  await signedIn(parent);
  const path = { teamId: params.team, read: params.read };
  const view = await orError(ask(api.GET('/api/teams/{teamId}/reads/{read}', { params: { path } })));
  return { view, title: session.readName(params.read) };
};
