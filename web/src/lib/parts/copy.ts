import { notices } from '$lib/state/notices.svelte';

/** Copies text, or says that this browser does not let it, as on a plain http address. */
export async function copyText(text: string, done: string) {
  try {
    await navigator.clipboard.writeText(text);
    notices.say(done);
  } catch {
    notices.say('The browser does not let it be copied. Mark it and copy it by hand.', true);
  }
}
