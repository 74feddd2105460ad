import { api, ask } from '$lib/api/client';
import { orKept } from '$lib/state/device';
import { orError, signedIn } from '$lib/state/load';
import type { PageLoad } from './$types';

/** The words of the game; where the server does not answer, as this device has them. */
export const load: PageLoad = async ({ parent }) => {
  await signedIn(parent);
  return { entries: await orError(orKept('glossary', ask(api.GET('/api/glossary')))) };
};
