import { api, ask } from '$lib/api/client';
import type { PageLoad } from './$types';

/** What a practice came to, or why it cannot be shown. */
export const load: PageLoad = async ({ params }) => {
  try {
    const path = { teamId: params.team, practiceId: params.practice };
    const view = await ask(
      api.GET('/api/teams/{teamId}/practices/{practiceId}/review', { params: { path } })
    );
    return { view, problem: '' };
  } catch (e) {
    return { view: null, problem: e instanceof Error ? e.message : String(e) };
  }
};
