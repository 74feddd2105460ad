import { error } from '@sveltejs/kit';
import { Refusal } from '$lib/api/client';
import { session } from './session.svelte';

/** Views for people without an account: the gym's second screen, whoever is invited, players, a new
 * password. A code or a link lets them in. */
export const outside = (pathname: string) =>
  pathname === '/display' || /^\/(join|quiz|reset)\//.test(pathname);

/** What nobody is signed in for: the error page waits for the door. */
const signedOut = 401;
/** Where no answer came. */
const noAnswer = 503;

/** Holds a view's requests until somebody is signed in. */
export async function signedIn(parent: () => Promise<unknown>) {
  await parent();
  if (session.view?.state !== 'in') error(signedOut, '');
}

/** What was asked for; a refusal becomes the page that says so, and a session that has ended the door. */
export async function orError<T>(asked: Promise<T>): Promise<T> {
  try {
    return await asked;
  } catch (e) {
    if (e instanceof Refusal && e.status === signedOut) await session.load();
    if (e instanceof Refusal) error(e.status || noAnswer, e.message);
    throw e;
  }
}
