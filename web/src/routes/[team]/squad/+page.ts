import { api, ask, Refusal } from '$lib/api/client';
import { filtersIn, queryOf } from '$lib/squad/board';
import { orError, signedIn } from '$lib/state/load';
import type { PageLoad } from './$types';

/** The board as the address asks for it, or why it cannot be. */
export const load: PageLoad = async ({ params, url, parent }) => {
  await signedIn(parent);
  const filters = filtersIn(url.searchParams);
  const path = { teamId: params.team };
  try {
    const [board, agreement] = await Promise.all([
      ask(api.GET('/api/teams/{teamId}/board', { params: { path, query: queryOf(filters) } })),
      ask(api.GET('/api/teams/{teamId}/agreement', { params: { path } }))
    ]);
    return { filters, board, agreement, wide: true, problem: '' };
  } catch (e) {
    // A filter that makes no sense is said above the board; a session that has ended leads to the door.
    if (e instanceof Refusal && e.status === 401) await orError(Promise.reject(e));
    return {
      filters,
      wide: true,
      board: null,
      agreement: [],
      problem: e instanceof Error ? e.message : String(e)
    };
  }
};
