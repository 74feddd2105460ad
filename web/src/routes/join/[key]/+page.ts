import { api, ask, Refusal } from '$lib/api/client';
import type { PageLoad } from './$types';

/** Who invites to what, or why the link does not work. */
export const load: PageLoad = async ({ params }) => {
  const path = { joinKey: params.key };
  try {
    return { view: await ask(api.GET('/api/join/{joinKey}', { params: { path } })), dead: '' };
  } catch (e) {
    if (e instanceof Refusal) return { view: null, dead: e.message };
    throw e;
  }
};
