import { api, ask } from '$lib/api/client';
import { SeasonDraft } from '$lib/plan/season.svelte';
import { orError, signedIn } from '$lib/state/load';
import type { PageLoad } from './$types';

/** The weeks ahead: what is taught when, and what is planned already. */
export const load: PageLoad = async ({ params, parent }) => {
  await signedIn(parent);
  const path = { teamId: params.team };
  const [draft, practices] = await orError(
    Promise.all([
      SeasonDraft.load(params.team),
      ask(api.GET('/api/teams/{teamId}/practices', { params: { path } }))
    ])
  );
  return { draft, practices };
};
