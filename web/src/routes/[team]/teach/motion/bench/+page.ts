import { api, ask } from '$lib/api/client';
import type { PageLoad } from './$types';

/** The tables of the actions that an offense goes on with. */
export const load: PageLoad = async ({ params, url }) => {
  const path = { teamId: params.team };
  const view = await ask(api.GET('/api/teams/{teamId}/offense', { params: { path } }));
  const asked = url.searchParams.get('school') ?? view.own.base;
  const school = view.schools.find((s) => s.id === asked) ?? view.schools[0];
  const actions = [...new Set((school?.answers ?? []).map((a) => a.situation).filter((id) => id))];
  const lessons = await Promise.all(
    actions.map((screen) =>
      ask(api.GET('/api/teams/{teamId}/lesson', { params: { path, query: { screen } } }))
    )
  );
  return { school, tables: actions.map((id, i) => ({ id, rows: lessons[i]?.rows ?? [] })) };
};
