import { api, ask, type Schemas } from '$lib/api/client';
import { History } from '$lib/state/history.svelte';

export type Aim = Schemas['SeasonAim'];
export type SeasonDay = Schemas['SeasonPlan']['days'][number];

/** What the weeks ahead are for; every change is stored and laid out at once. */
export class SeasonDraft {
  plan = $state.raw<Schemas['SeasonPlan']>({ days: [], problems: [], freshDays: 0 });
  /** The actions of the team's offense, in the order to teach them. */
  readonly offense: string[];
  /** Why the last change was not stored. */
  problem = $state('');
  private steps: History<Aim>;
  private asked = 0;

  constructor(
    private team: string,
    first: Schemas['Season']
  ) {
    this.steps = new History(first.aim);
    this.plan = first.plan;
    this.offense = first.offense;
  }

  static async load(team: string) {
    const season = await ask(api.GET('/api/teams/{teamId}/season', { params: { path: { teamId: team } } }));
    return new SeasonDraft(team, season);
  }

  get aim() {
    return this.steps.now;
  }
  get canUndo() {
    return this.steps.canUndo;
  }
  get canRedo() {
    return this.steps.canRedo;
  }

  change(next: Partial<Aim>) {
    this.steps.step({ ...this.aim, ...next });
    return this.store();
  }
  undo() {
    if (this.steps.undo()) void this.store();
  }
  redo() {
    if (this.steps.redo()) void this.store();
  }

  /** An action up or down the list, by its place. */
  move(from: number, by: number) {
    const install = [...this.aim.install];
    const [moved] = install.splice(from, 1);
    if (moved === undefined) return;
    install.splice(from + by, 0, moved);
    void this.change({ install });
  }

  /** An action off the list, and out of the games that needed it. */
  drop(id: string) {
    const without = (list: string[]) => list.filter((x) => x !== id);
    void this.change({
      install: without(this.aim.install),
      games: this.aim.games.map((g) => ({ ...g, needs: without(g.needs) }))
    });
  }

  /** The offense's actions first, in its order, then what was on the list besides. */
  followOffense() {
    const rest = this.aim.install.filter((id) => !this.offense.includes(id));
    void this.change({ install: [...this.offense, ...rest] });
  }

  changeGame(index: number, next: Partial<Aim['games'][number]>) {
    void this.change({ games: this.aim.games.map((g, i) => (i === index ? { ...g, ...next } : g)) });
  }

  private async store() {
    const mine = ++this.asked;
    try {
      const season = await ask(
        api.PUT('/api/teams/{teamId}/season', { params: { path: { teamId: this.team } }, body: this.aim })
      );
      if (mine !== this.asked) return;
      this.plan = season.plan;
      this.problem = '';
    } catch (e) {
      if (mine === this.asked) this.problem = e instanceof Error ? e.message : String(e);
    }
  }
}
