import { api, ask } from '$lib/api/client';
import { orError, signedIn } from '$lib/state/load';
import { session } from '$lib/state/session.svelte';
import type { PageLoad } from './$types';

/** The team's settings, who works with the program, and its teams. */
export const load: PageLoad = async ({ params, parent }) => {
  await signedIn(parent);
  const path = { teamId: params.team };
  const [team, staff, open, teams] = await orError(
    Promise.all([
      ask(api.GET('/api/teams/{teamId}', { params: { path } })),
      session.coach ? ask(api.GET('/api/staff')) : [],
      session.head ? ask(api.GET('/api/invitations')) : [],
      session.head ? ask(api.GET('/api/teams')) : []
    ])
  );
  return { team, staff, open, teams };
};
