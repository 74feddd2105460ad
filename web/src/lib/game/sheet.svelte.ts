import { api, ask, type Schemas } from '$lib/api/client';
import { notices } from '$lib/state/notices.svelte';

type Game = Schemas['Game'];

/** One game being prepared: what is changed is stored at once, and what follows from it
 * is fetched again. */
export class GameSheet {
  view = $state.raw<Schemas['GameView'] | null>(null);
  found = $state.raw<Schemas['Lineups'] | null>(null);
  problem = $state('');
  busy = $state(false);
  private last: Promise<unknown> = Promise.resolve();

  constructor(
    private team: string,
    private id: string
  ) {}

  private get at() {
    return { params: { path: { teamId: this.team, gameId: this.id } } };
  }

  async load() {
    try {
      this.view = await ask(api.GET('/api/teams/{teamId}/games/{gameId}', this.at));
    } catch (e) {
      this.problem = e instanceof Error ? e.message : String(e);
    }
  }

  /** Changes one after the other, so that each knows the version before it. */
  change(part: Partial<Game>): Promise<unknown> {
    if (this.view) this.view = { ...this.view, game: { ...this.view.game, ...part } };
    return (this.last = this.last.then(() => this.store()));
  }

  private async store() {
    const game = this.view?.game;
    if (!game) return;
    const { startsAt, opponent, away, note, mixes, terms, version } = game;
    try {
      const stored = await ask(
        api.PUT('/api/teams/{teamId}/games/{gameId}', {
          ...this.at,
          body: { startsAt, opponent, away, note, mixes, terms, version }
        })
      );
      if (this.view) this.view = { ...this.view, game: { ...this.view.game, version: stored.version } };
      const fresh = await ask(api.GET('/api/teams/{teamId}/games/{gameId}', this.at));
      // What was changed meanwhile is on its way.
      if (this.view) this.view = { ...fresh, game: { ...this.view.game, version: fresh.game.version } };
    } catch (e) {
      notices.fail(e);
    }
  }

  async find() {
    if (!this.view) return;
    this.busy = true;
    this.found = null;
    this.problem = '';
    try {
      this.found = await ask(
        api.POST('/api/teams/{teamId}/games/{gameId}/lineups', { ...this.at, body: this.view.game.terms })
      );
    } catch (e) {
      this.problem = e instanceof Error ? e.message : String(e);
    } finally {
      this.busy = false;
    }
  }

  async remove() {
    await ask(api.DELETE('/api/teams/{teamId}/games/{gameId}', this.at));
  }
}
