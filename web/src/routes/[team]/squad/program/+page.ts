import { api, ask } from '$lib/api/client';
import { orError, signedIn } from '$lib/state/load';
import type { PageLoad } from './$types';

/** The same reads over all teams and seasons of the program. */
export const load: PageLoad = async ({ parent }) => {
  await signedIn(parent);
  return { program: await orError(ask(api.GET('/api/program'))) };
};
