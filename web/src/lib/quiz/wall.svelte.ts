import { api, ask, type Schemas } from '$lib/api/client';
import { Asking } from './asking.svelte';

export type RoundState = Schemas['RoundState'];

const same = (a: RoundState | null, b: RoundState) =>
  a !== null && a.step === b.step && a.seed === b.seed && a.action === b.action;

/** A round as the gym's second screen shows it: it follows what the coach does. */
export class WallRound {
  readonly asking = new Asking(undefined, false);
  pack = $state.raw<Schemas['QuizPack'] | null>(null);
  state = $state.raw<RoundState | null>(null);
  private wanted: RoundState | null = null;

  /** Shows a state of the round, or none. */
  async take(next: RoundState | null) {
    this.wanted = next;
    if (!next) {
      this.asking.stop();
      this.pack = this.state = null;
      return;
    }
    let pack = this.pack;
    if (!pack || !same(this.state, next)) {
      pack = await ask(api.GET('/api/display/round'));
      if (this.wanted !== next) return; // the coach has gone on meanwhile
    }
    const item = pack.items[next.question];
    const before = this.state;
    const fresh = !same(before, next) || before?.question !== next.question;
    this.pack = pack;
    this.state = next;
    if (item && fresh) this.asking.begin(item);
    else if (before && next.again > before.again) this.asking.again();
  }

  /** The coach has shown the answer: so does the screen, as soon as the picture stands. */
  follow() {
    if (this.state?.told && this.asking.phase === 'asked') this.asking.answer('');
  }
}

/** The coach's end of it: what a practice's second screens are to show. */
export class RoundRemote {
  problem = $state('');
  private shown = false;
  // One after the other: what is told later has to arrive later.
  private last: Promise<void> = Promise.resolve();

  constructor(
    private team: string,
    readonly practice: string
  ) {}

  private get path() {
    return { params: { path: { teamId: this.team, practiceId: this.practice } } };
  }

  private attempt(what: () => Promise<unknown>) {
    if (!this.practice) return;
    this.last = this.last.then(what).then(
      () => {
        this.problem = '';
      },
      (e) => {
        this.problem = `The second screen was not told: ${e instanceof Error ? e.message : String(e)}`;
      }
    );
  }

  show(body: RoundState) {
    this.shown = true;
    this.attempt(() =>
      ask(api.PUT('/api/teams/{teamId}/practices/{practiceId}/round', { ...this.path, body }))
    );
  }

  end() {
    if (!this.shown) return;
    this.shown = false;
    this.attempt(() =>
      ask(api.DELETE('/api/teams/{teamId}/practices/{practiceId}/round', { ...this.path, keepalive: true }))
    );
  }
}
