import { api, ask } from '$lib/api/client';
import { orError, signedIn } from '$lib/state/load';
import type { PageLoad } from './$types';

/** Mail that has gone out, or would have: the list, and the text of the one that the address names. */
export const load: PageLoad = async ({ url, parent }) => {
  await signedIn(parent);
  const list = await orError(ask(api.GET('/api/outbox')));
  const mailId = url.searchParams.get('mail') ?? list[0]?.id;
  if (!mailId) return { list, open: null };
  const open = await orError(ask(api.GET('/api/outbox/{mailId}', { params: { path: { mailId } } })));
  return { list, open };
};
