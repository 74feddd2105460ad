import { api, ask, Refusal, type Schemas } from '$lib/api/client';
import { kept, unanswered } from '$lib/state/device';
import { keptLog, type Logged } from './replog.svelte';

type Run = Schemas['Run'];

/**
 * A practice as the server has it. Where it does not answer: as it was kept on this device, with its log, or
 * nothing where it is here already. One that was deleted is shown only while it holds what was not sent.
 */
export async function fetchRun(
  path: { teamId: string; practiceId: string },
  is: { here: boolean; unsent: boolean }
): Promise<{ run?: Run; log?: Logged[] }> {
  try {
    const params = { path };
    return { run: await ask(api.GET('/api/teams/{teamId}/practices/{practiceId}/run', { params })) };
  } catch (e) {
    const deleted = e instanceof Refusal && e.status === 404;
    const signedOut = e instanceof Refusal && e.status === 401;
    if (!unanswered(e) && !deleted && !signedOut) throw e;
    if (deleted && !is.unsent) throw e;
    if (is.here) return {};
    const run = await kept<Run>(`run ${path.practiceId}`);
    if (!run) throw e;
    return { run, log: await keptLog(path.practiceId) };
  }
}
