import { api, ask } from '$lib/api/client';
import { orError, signedIn } from '$lib/state/load';
import { session } from '$lib/state/session.svelte';
import { families } from '$lib/teach/families';
import type { PageLoad } from './$types';

/** A card per cue of an action, or of all actions of a family, with the way everybody goes. */
export const load: PageLoad = async ({ params, url, parent }) => {
  await signedIn(parent);
  const path = { teamId: params.team };
  const asked = url.searchParams;
  const family = families.find((f) => f.id === asked.get('family'));
  const cue = family ? null : asked.get('cue');

  async function cardsOf(action: string) {
    const lesson = await ask(api.GET('/api/teams/{teamId}/lesson', { params: { path, query: { action } } }));
    const wanted = lesson.rows.map((row, i) => ({ row, s: lesson.examples[i] }));
    return Promise.all(
      wanted.flatMap(({ row, s }) => {
        if (!s || (cue && row.cue !== cue)) return [];
        const play = ask(api.POST('/api/teams/{teamId}/play', { params: { path }, body: s }));
        return [play.then((play) => ({ lesson, row, s, play }))];
      })
    );
  }

  const ids = family
    ? (session.catalogue?.actions ?? []).filter((s) => s.family === family.id).map((s) => s.id)
    : [asked.get('action') ?? 'down'];
  return { cards: (await orError(Promise.all(ids.map(cardsOf)))).flat() };
};
