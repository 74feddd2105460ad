import { error } from '@sveltejs/kit';
import { settingOf } from '$lib/drill/tonight.svelte';
import { orError, signedIn } from '$lib/state/load';
import { session } from '$lib/state/session.svelte';
import type { PageLoad } from './$types';

const notFound = 404;

/** A drill with what the team has to do with it. */
export const load: PageLoad = async ({ params, parent }) => {
  await signedIn(parent);
  const drill = session.drill(params.drill);
  if (!drill) error(notFound, 'This drill is not in the catalogue, nor among your own.');
  return { setting: await orError(settingOf(params.team, drill)), title: drill.name };
};
