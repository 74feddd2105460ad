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
  /** What was changed is on its way to the server. */
  storing = $state(false);
  private again = false;

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

  /** Changes the game here at once, and on the server one change after the other: what is
   * changed while one is on its way goes with the next. */
  async change(part: Partial<Game>) {
    if (this.view) this.view = { ...this.view, game: { ...this.view.game, ...part } };
    this.again = true;
    if (this.storing) return;
    this.storing = true;
    try {
      while (this.again) {
        this.again = false;
        await this.store();
      }
      const fresh = await ask(api.GET('/api/teams/{teamId}/games/{gameId}', this.at));
      // What was changed meanwhile stays.
      if (this.view) this.view = { ...fresh, game: { ...this.view.game, version: fresh.game.version } };
    } catch (e) {
      notices.fail(e);
    } finally {
      this.storing = false;
    }
    if (this.again) await this.change({});
  }

  private async store() {
    const game = this.view?.game;
    if (!game) return;
    const { startsAt, opponent, away, note, mixes, terms, version } = game;
    const stored = await ask(
      api.PUT('/api/teams/{teamId}/games/{gameId}', {
        ...this.at,
        body: { startsAt, opponent, away, note, mixes, terms, version }
      })
    );
    if (this.view) this.view = { ...this.view, game: { ...this.view.game, version: stored.version } };
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
