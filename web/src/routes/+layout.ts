import { fonts } from '$lib/ui/fonts';
import { session } from '$lib/state/session.svelte';
import { outside } from '$lib/state/load';
import type { LayoutLoad } from './$types';

export const ssr = false;
export const prerender = false;

/** Who is signed in, before any view asks for something, while the fonts come. */
export const load: LayoutLoad = async ({ url, untrack }) => {
  const failed = await signedIn(untrack(() => !outside(url.pathname)));
  await fonts;
  return { failed };
};

/** Asks who is signed in where it is needed, and returns the sentence of a failure. */
async function signedIn(needed: boolean) {
  if (!needed || session.view) return '';
  try {
    await session.load();
    return '';
  } catch (e) {
    return e instanceof Error ? e.message : String(e);
  }
}
