import { replaceState } from '$app/navigation';
import { page } from '$app/state';
import { api, ask } from '$lib/api/client';
import { notices } from '$lib/state/notices.svelte';
import { session } from '$lib/state/session.svelte';
import { again, type Draft } from './draft.svelte';

/** Fills a new practice and saves it, for whoever asked for a whole one. */
async function build(draft: Draft) {
  replaceState(page.url.pathname, {});
  await draft.fill('evening');
  if (draft.problem) return;
  await draft.save();
  notices.say('Your practice is built and saved. Change what you like.');
}

/** Puts reads among the goals; undo takes them out again. False where all are there already. */
function aim(draft: Draft, wanted: string[]): boolean {
  const fresh = wanted.filter((r) => session.read(r) && !draft.input.terms.focus.includes(r));
  if (fresh.length === 0) return false;
  draft.change({ terms: { ...draft.input.terms, focus: [...draft.input.terms.focus, ...fresh] } });
  notices.say(
    `A goal now: ${fresh.map((r) => session.readName(r).toLowerCase()).join(', ')}. Build practice.`
  );
  return true;
}

/** Puts in what the practice before left undone; undo takes it out again. */
async function carry(draft: Draft) {
  const path = { teamId: draft.team, practiceId: draft.id };
  const left = await ask(api.GET('/api/teams/{teamId}/practices/{practiceId}/carry', { params: { path } }));
  if (left.length === 0) return;
  draft.change({ blocks: [...draft.input.blocks, ...again(left)] });
  notices.say(`Carried over: ${left.map((b) => b.title).join(', ')}. Save it when it fits.`);
}

/** Does with a plan what the address asks for: carry over, aim at reads, build it whole. True where it has new goals. */
export async function open(draft: Draft, query: URLSearchParams): Promise<boolean> {
  if (query.has('carry')) await carry(draft);
  const aimed = aim(draft, query.get('focus')?.split(',') ?? []);
  if (query.has('build')) await build(draft);
  return aimed;
}
