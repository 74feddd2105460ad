import { api, ask } from '$lib/api/client';
import { filtersIn, queryOf } from '$lib/squad/board';
import type { PageLoad } from './$types';

/** The board as the address asks for it, or why it cannot be. */
export const load: PageLoad = async ({ params, url }) => {
  const filters = filtersIn(url.searchParams);
  const path = { teamId: params.team };
  try {
    const [board, agreement] = await Promise.all([
      ask(api.GET('/api/teams/{teamId}/board', { params: { path, query: queryOf(filters) } })),
      ask(api.GET('/api/teams/{teamId}/agreement', { params: { path } }))
    ]);
    return { filters, board, agreement, problem: '' };
  } catch (e) {
    return { filters, board: null, agreement: [], problem: e instanceof Error ? e.message : String(e) };
  }
};
