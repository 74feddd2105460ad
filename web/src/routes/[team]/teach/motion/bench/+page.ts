import { api, ask } from '$lib/api/client';
import { asked } from '$lib/offense/asked';
import { orError, signedIn } from '$lib/state/load';
import type { PageLoad } from './$types';

/** The tables of the actions that an offense goes on with. */
export const load: PageLoad = async ({ params, url, parent }) => {
  await signedIn(parent);
  const path = { teamId: params.team };
  const view = await orError(ask(api.GET('/api/teams/{teamId}/offense', { params: { path } })));
  const offense = asked(view, url.searchParams.get('offense'));
  const used = offense.parts.map((p) => view.parts.find((a) => a.id === p.id)?.action).filter((id) => id);
  const actions = [...new Set(used as string[])];
  const lessons = await orError(
    Promise.all(
      actions.map((action) =>
        ask(api.GET('/api/teams/{teamId}/lesson', { params: { path, query: { action } } }))
      )
    )
  );
  return { offense, tables: actions.map((id, i) => ({ id, rows: lessons[i]?.rows ?? [] })) };
};
