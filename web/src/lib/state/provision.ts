import { api, ask, type Schemas } from '$lib/api/client';
import { forgetOthers, keep } from './device';

/** The action whose lesson is opened first. */
export const firstLesson = 'down';

const beforeNetworkIdle = 400; // ms after the first picture: what is shown comes first (assumption)

/** Puts on this device what the next practice takes, so that it opens in a gym without a network:
 * its plan, its run, the list of practices and the first lesson. What cannot be had now is had
 * the next time. */
export function provision(team: string, next: Schemas['Practice'] | undefined) {
  const teamId = team;
  const tasks = [
    () =>
      ask(api.GET('/api/teams/{teamId}/practices', { params: { path: { teamId } } })).then((list) =>
        keep(`practices ${team}`, list)
      ),
    () =>
      ask(
        api.GET('/api/teams/{teamId}/lesson', {
          params: { path: { teamId }, query: { action: firstLesson } }
        })
      ).then((lesson) => keep(`lesson ${team} ${firstLesson}`, lesson)),
    () =>
      ask(api.GET('/api/teams/{teamId}/players', { params: { path: { teamId } } })).then((players) =>
        keep(`players ${team}`, players)
      )
  ];
  if (next) {
    const practiceId = next.id;
    tasks.unshift(
      () =>
        ask(
          api.GET('/api/teams/{teamId}/practices/{practiceId}/run', {
            params: { path: { teamId, practiceId } }
          })
        ).then((run) => keep(`run ${practiceId}`, { ...run, reps: [] }, team)),
      () => keep(`practice ${practiceId}`, next, team),
      () => forgetOthers(practiceId)
    );
  }
  const timer = setTimeout(async () => {
    for (const task of tasks) await Promise.resolve(task()).catch(() => {});
  }, beforeNetworkIdle);
  return () => clearTimeout(timer);
}
