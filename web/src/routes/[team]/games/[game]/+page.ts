import { error } from '@sveltejs/kit';
import { GameSheet } from '$lib/game/sheet.svelte';
import { signedIn } from '$lib/state/load';
import type { PageLoad } from './$types';

/** A game: what is expected, who plays, and what came of it. */
export const load: PageLoad = async ({ params, parent }) => {
  await signedIn(parent);
  const sheet = new GameSheet(params.team, params.game);
  await sheet.load();
  if (!sheet.view) error(404, sheet.problem);
  return { sheet, view: sheet.view, title: sheet.view.game.opponent };
};
