import { api, ask, type Schemas } from '$lib/api/client';
import type { Offense, View } from './lab.svelte';

/** The id by which the team's own offense is asked for. */
export const own = 'own';
const checkAfter = 400; // ms after the last change (assumption)
const mostSteps = 50; // that can be undone (assumption)

/** The offense on the floor: a shipped one, the team's own, or one being written. */
export class Draft {
  /** The shipped offense, or own. */
  chosen = $state(own);
  offense = $state.raw<Offense>({} as Offense);
  start = $state.raw<Schemas['OffenseStanding'] | null>(null);
  check = $state.raw<Schemas['OffenseCheck'] | null>(null);
  /** What is on the floor is not yet what is written. */
  checking = $state(false);
  problem = $state('');
  private past = $state.raw<{ chosen: string; offense: Offense }[]>([]);
  /** Kept when what is written has been checked and is on the floor. */
  ready: Promise<void> = Promise.resolve();
  private timer = 0;
  private turn = 0;
  private stored = $state.raw<Offense>({} as Offense);

  constructor(
    private team: string,
    private view: View,
    private changed: () => void
  ) {
    this.stored = view.own;
    this.offense = view.own;
    this.start = view.start;
    if (!view.chosen) this.chosen = view.own.id;
    this.ready = this.look();
  }

  private get at() {
    return { params: { path: { teamId: this.team } } };
  }

  /** The offense differs from what is stored for the team. */
  unsaved = $derived.by(
    () => this.chosen === own && JSON.stringify(this.offense) !== JSON.stringify(this.stored)
  );
  canUndo = $derived(this.past.length > 0);

  async choose(id: string) {
    const o = id === own ? this.stored : this.view.offenses.find((x) => x.id === id);
    if (!o) return;
    this.chosen = id;
    this.past = [];
    await this.show(o);
  }

  /** Changes the offense; a shipped one becomes the team's own first. */
  edit(change: Partial<Offense>) {
    const from = this.offense;
    this.past = [...this.past, { chosen: this.chosen, offense: from }].slice(-mostSteps);
    const named = this.chosen === own ? from : { ...from, id: own, name: `${from.name}, ours` };
    this.chosen = own;
    this.offense = { ...named, ...change };
    this.checking = true;
    clearTimeout(this.timer);
    this.ready = new Promise((done) => {
      this.timer = window.setTimeout(() => void this.look().then(done), checkAfter);
    });
  }

  async undo() {
    const before = this.past.at(-1);
    if (!before) return;
    this.past = this.past.slice(0, -1);
    this.chosen = before.chosen;
    await this.show(before.offense);
  }

  private async show(o: Offense) {
    this.offense = o;
    this.start = null;
    this.changed();
    clearTimeout(this.timer);
    await (this.ready = this.look());
  }

  /** Asks whether the offense goes round, and puts it on the floor where it does. */
  private async look() {
    const turn = ++this.turn;
    this.checking = true;
    try {
      const check = await ask(
        api.POST('/api/teams/{teamId}/offense/check', { ...this.at, body: this.offense })
      );
      if (turn !== this.turn) return;
      this.check = check;
      this.problem = '';
      if (check.start) {
        this.start = check.start;
        this.changed();
      }
    } catch (e) {
      if (turn === this.turn) this.problem = e instanceof Error ? e.message : String(e);
    } finally {
      if (turn === this.turn) this.checking = false;
    }
  }

  /** Stores it as the team's offense. */
  async save() {
    const o = this.offense;
    this.check = await ask(api.PUT('/api/teams/{teamId}/offense', { ...this.at, body: o }));
    this.stored = o;
    this.past = [];
    this.chosen = own;
  }

  /** Plays another team's offense from now on, with its changes or without. */
  async copy(from: string, follow: boolean): Promise<View> {
    const view = await ask(
      api.POST('/api/teams/{teamId}/offense/copy', { ...this.at, body: { from, follow } })
    );
    this.view = view;
    this.stored = view.own;
    await this.choose(own);
    return view;
  }
}
