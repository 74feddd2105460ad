import { redirect } from '@sveltejs/kit';
import { signedIn } from '$lib/state/load';
import { lastTeam, session } from '$lib/state/session.svelte';
import type { PageLoad } from './$types';

const found = 307;

/** Goes on to the team that was open last on this device. */
export const load: PageLoad = async ({ parent }) => {
  await signedIn(parent);
  const id = lastTeam(session.view?.teams ?? []);
  if (id) redirect(found, `/${id}/now`);
};
