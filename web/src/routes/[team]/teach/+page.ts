import { Lab } from '$lib/court/lab.svelte';
import { orError, signedIn } from '$lib/state/load';
import type { PageLoad } from './$types';

/** The action and the cue that the address names, with the engine's answer, so that the page does not
 * jump when it comes. */
export const load: PageLoad = async ({ params, url, parent }) => {
  await signedIn(parent);
  const asked = (name: string) => url.searchParams.get(name) ?? undefined;
  const lab = new Lab(params.team);
  const action = asked('action') ?? asked('screen') ?? 'down'; // as addresses were before
  await orError(lab.load(action, asked('cue'), asked('read'), asked('floor')));
  return { lab };
};
