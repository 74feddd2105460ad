import { session } from '$lib/state/session.svelte';
import { outside } from '$lib/state/load';
import type { LayoutLoad } from './$types';

export const ssr = false;
export const prerender = false;

/** Who is signed in, before any view asks for something. */
export const load: LayoutLoad = async ({ url, untrack }) => {
  if (untrack(() => outside(url.pathname)) || session.view) return { failed: '' };
  try {
    await session.load();
    return { failed: '' };
  } catch (e) {
    return { failed: e instanceof Error ? e.message : String(e) };
  }
};
