import { api, ask, Refusal } from '$lib/api/client';
import type { PageLoad } from './$types';

/** Whether a link for a new password works, or why it does not. */
export const load: PageLoad = async ({ params }) => {
  const path = { resetKey: params.key };
  try {
    await ask(api.GET('/api/reset/{resetKey}', { params: { path } }));
    return { dead: '' };
  } catch (e) {
    if (e instanceof Refusal) return { dead: e.message };
    throw e;
  }
};
