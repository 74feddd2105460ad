import { api, ask, type Point, type Schemas } from '$lib/api/client';
import { along } from '$lib/court/geometry';
import { Player } from '$lib/court/player.svelte';

type View = Schemas['OffenseView'];
type Variant = Schemas['OffenseVariant'];
type Standing = Schemas['OffenseStanding'];
type Run = Schemas['OffenseRun'];
/** Who defends while an offense is watched. */
export type Against = 'none' | 'man' | 'deny';
type Passed = Run['passes'][number];

const passesAtOnce = 8;
const tenth = (feet: number) => Math.round(feet * 10) / 10;
const inset = 0.8; // ft a dragged figure stays inside the lines

/** How the team plays a school: its own way where it has one, else as the school is. */
export const wayOf = (view: View, s: Schemas['OffenseSchool']): Variant =>
  view.own.base === s.id
    ? view.own
    : {
        base: s.id,
        switches: s.switches,
        weights: Object.fromEntries(s.answers.map((a) => [a.id, a.weight]))
      };

/** A motion offense being watched: it runs, stops anywhere, and goes on from there. */
export class OffenseLab {
  view = $state.raw<View | null>(null);
  variant = $state.raw<Variant | null>(null);
  run = $state.raw<Run | null>(null);
  /** Who stands where while nothing runs. */
  standing = $state.raw<Standing | null>(null);
  broken = $state.raw<Schemas['OffenseViolation'][]>([]);
  five = $state<string[]>([]);
  against = $state<Against>('man');
  /** The run stops at every pass and asks what comes now. */
  asking = $state(false);
  covered = $state(false);
  problem = $state('');
  readonly player = new Player();
  /** The pass in which the run was stopped, until somebody is moved. */
  private stopped = $state.raw<Passed | null>(null);
  private seed = 1;
  private asked = 0;

  constructor(private team: string) {}

  private get at() {
    return { params: { path: { teamId: this.team } } };
  }

  school = $derived(this.view?.schools.find((s) => s.id === this.variant?.base));

  async load() {
    try {
      const view = await ask(api.GET('/api/teams/{teamId}/offense', this.at));
      this.view = view;
      const handlers = view.players.filter((p) => p.handler);
      const rest = view.players.filter((p) => !p.handler);
      this.five = [...handlers.slice(0, 1), ...rest, ...handlers.slice(1)].slice(0, 5).map((p) => p.id);
      this.take(view.own);
    } catch (e) {
      this.problem = e instanceof Error ? e.message : String(e);
    }
  }

  private take(variant: Variant) {
    this.variant = variant;
    this.restart();
  }

  choose(id: string) {
    const s = this.view?.schools.find((x) => x.id === id);
    if (s && this.view) this.take(wayOf(this.view, s));
  }

  /** Plays against other men, from the start. */
  face(against: Against) {
    this.against = against;
    this.restart();
  }

  restart() {
    const i = this.view?.schools.findIndex((s) => s.id === this.variant?.base) ?? -1;
    this.player.clear();
    this.run = null;
    this.broken = [];
    this.problem = '';
    this.covered = false;
    this.stopped = null;
    this.standing = this.view?.starts[i] ?? null;
  }

  /** Where somebody is now: p0 to p4, x0 to x4, ball. */
  place(who: string): Point | undefined {
    const keys = this.run?.play.tracks.find((t) => t.who === who)?.keys;
    if (keys && this.player.play) return along(keys, this.player.time);
    const st = this.standing;
    if (!st) return undefined;
    if (who === 'ball') return st.at[st.ball];
    return who.startsWith('p') ? st.at[Number(who[1])] : undefined;
  }

  /** The pass that is being run, or in which the run was stopped. */
  pass = $derived.by(() => {
    const passes = this.run?.passes ?? [];
    return [...passes].reverse().find((p) => p.t <= this.player.time + 1e-6) ?? this.stopped ?? undefined;
  });

  /** That moment, as the address of a drill to be cut out of it. */
  moment = $derived.by(() => {
    const p = this.pass;
    if (!p || !this.variant) return '';
    const at = p.start.at.map(({ x, y }) => ({ x: tenth(x), y: tenth(y) }));
    const cut: Schemas['OffenseCut'] = {
      school: this.variant.base,
      moment: { standing: { ...p.start, at }, aim: p.aim, answer: p.id }
    };
    return encodeURIComponent(JSON.stringify(cut));
  });

  /** How people are spaced now. */
  spread = $derived(
    this.run?.spacing.findLast((s) => s.t <= this.player.time + 1e-6) ?? this.run?.spacing[0]
  );

  /** Rules broken by now in the run, or by people who stand so. */
  shown = $derived(
    this.player.play ? (this.run?.violations.filter((v) => v.t <= this.player.time) ?? []) : this.broken
  );

  async start() {
    if (this.player.play && this.player.time < (this.run?.play.duration ?? 0)) {
      this.player.resume();
      return;
    }
    await this.goOn(this.run && this.player.play ? this.run.end : this.standing);
  }

  /** Runs some passes from where people stand. */
  private async goOn(from: Standing | null) {
    if (!from || !this.variant) return;
    try {
      const run = await ask(
        api.POST('/api/teams/{teamId}/offense/watch', {
          ...this.at,
          body: {
            variant: this.variant,
            standing: from,
            passes: passesAtOnce,
            defended: this.against !== 'none',
            deny: this.against === 'deny',
            seed: this.seed++
          }
        })
      );
      this.run = run;
      this.stopped = null;
      this.problem = '';
      this.covered = this.asking;
      this.player.start(run.play);
      if (this.asking) this.player.stop();
    } catch (e) {
      this.problem = e instanceof Error ? e.message : String(e);
    }
  }

  /** Stops where everybody is, so that they can be dragged. */
  freeze() {
    this.player.stop();
    const run = this.run;
    if (!run || !this.player.play) return;
    const t = this.player.time;
    const next = run.passes.find((p) => p.t > t)?.start ?? run.end;
    const at = next.at.map((p, i) => this.place(`p${i}`) ?? p);
    const ball = t <= (run.passes[0]?.t ?? 0) ? (run.passes[0]?.start.ball ?? next.ball) : next.ball;
    this.stopped = this.pass ?? null;
    this.player.clear();
    this.run = null;
    this.standing = { spots: next.spots, at, ball };
    this.check();
  }

  drag(i: number, to: Point) {
    const l = this.view?.lines;
    if (!this.standing || !l) return;
    const at = this.standing.at.map((p, k) =>
      k === i
        ? {
            x: Math.max(-l.halfWidth + inset, Math.min(l.halfWidth - inset, to.x)),
            y: Math.max(l.baselineY + inset, Math.min(l.halfY - inset, to.y))
          }
        : p
    );
    this.standing = { ...this.standing, at };
    this.stopped = null;
  }

  /** Asks which rules people who stand so break. */
  async check() {
    if (!this.standing || !this.variant) return;
    const turn = ++this.asked;
    try {
      const broken = await ask(
        api.POST('/api/teams/{teamId}/offense/check', {
          ...this.at,
          body: {
            variant: this.variant,
            standing: this.standing,
            passes: 1,
            defended: false,
            deny: false,
            seed: 0
          }
        })
      );
      if (turn === this.asked) this.broken = broken;
    } catch (e) {
      this.problem = e instanceof Error ? e.message : String(e);
    }
  }

  change(next: Partial<Variant>) {
    if (this.variant) this.take({ ...this.variant, ...next });
  }

  async store() {
    if (!this.variant || !this.view) return;
    await ask(api.PUT('/api/teams/{teamId}/offense', { ...this.at, body: this.variant }));
    this.view = { ...this.view, own: this.variant };
  }

  async compare(other: Variant, against: 'man' | 'deny' | 'zone', possessions: number) {
    if (!this.variant) throw new Error('Choose a school first.');
    return ask(
      api.POST('/api/teams/{teamId}/offense/compare', {
        ...this.at,
        body: {
          a: this.variant,
          b: other,
          five: this.five,
          zone: against === 'zone',
          deny: against === 'deny',
          possessions
        }
      })
    );
  }
}
