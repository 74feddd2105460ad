import { api, ask, type Point, type Schemas } from '$lib/api/client';
import { along } from '$lib/court/geometry';
import { Player } from '$lib/court/player.svelte';
import { Draft } from './draft.svelte';

export type View = Schemas['OffenseView'];
export type Offense = Schemas['Offense'];
type Standing = Schemas['OffenseStanding'];
type Run = Schemas['OffenseRun'];
type Passed = Run['passes'][number];
/** Who defends while an offense is watched. */
export type Against = 'none' | 'man' | 'deny' | 'zone';

const passesAtOnce = 8;
const alwaysDenied = 1; // of the wings, as a share
const tenth = (feet: number) => Math.round(feet * 10) / 10;
const inset = 0.8; // ft a dragged figure stays inside the lines

/** A motion offense being watched: it runs, stops anywhere, and goes on from there. */
export class OffenseLab {
  view: View;
  readonly draft: Draft;
  run = $state.raw<Run | null>(null);
  /** Who stands where while nothing runs. */
  standing = $state.raw<Standing | null>(null);
  broken = $state.raw<Schemas['OffenseViolation'][]>([]);
  five = $state<string[]>([]);
  against = $state<Against>('man');
  dials = $state.raw<Schemas['OffenseDials']>();
  /** The run stops at every pass and asks what comes now. */
  asking = $state(false);
  covered = $state(false);
  problem = $state('');
  readonly player = new Player();
  /** The pass in which the run was stopped, until somebody is moved. */
  private stopped = $state.raw<Passed | null>(null);
  private seed = 1;
  private asked = 0;

  constructor(
    private team: string,
    view: View
  ) {
    this.view = $state.raw(view);
    this.draft = new Draft(team, view, () => this.restart());
    this.dials = view.levels[1]?.dials ?? view.levels[0]?.dials;
    const handlers = view.players.filter((p) => p.handler);
    const rest = view.players.filter((p) => !p.handler);
    this.five = [...handlers.slice(0, 1), ...rest, ...handlers.slice(1)].slice(0, 5).map((p) => p.id);
    this.restart();
  }

  private get at() {
    return { params: { path: { teamId: this.team } } };
  }

  offense = $derived.by(() => this.draft.offense);

  /** What the offense is run against. */
  get guarding(): Schemas['OffenseAgainst'] {
    const dials = this.dials ?? { react: 1, help: 0, deny: 0, jump: 0, hands: 0 };
    return {
      defended: this.against !== 'none',
      zone: this.against === 'zone',
      dials: { ...dials, deny: this.against === 'deny' ? alwaysDenied : Math.min(dials.deny, 0.5) }
    };
  }

  /** Plays against other defenders, from the start. */
  face(against: Against) {
    this.against = against;
    this.restart();
  }

  restart() {
    this.player.clear();
    this.run = null;
    this.broken = [];
    this.problem = '';
    this.covered = false;
    this.stopped = null;
    this.standing = this.draft.start;
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
    if (!p) return '';
    const at = p.start.at.map(({ x, y }) => ({ x: tenth(x), y: tenth(y) }));
    const cut: Schemas['OffenseCut'] = {
      offense: this.draft.chosen,
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
    await this.draft.ready;
    if (this.player.play && this.player.time < (this.run?.play.duration ?? 0)) {
      this.player.resume();
      return;
    }
    await this.goOn(this.run && this.player.play ? this.run.end : this.standing);
  }

  /** Runs some passes from where people stand. */
  private async goOn(from: Standing | null) {
    if (!from) return;
    try {
      const run = await ask(
        api.POST('/api/teams/{teamId}/offense/watch', {
          ...this.at,
          body: {
            offense: this.draft.offense,
            standing: from,
            passes: passesAtOnce,
            against: this.guarding,
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
    void this.check();
  }

  drag(i: number, to: Point) {
    const l = this.view.lines;
    if (!this.standing) return;
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
    if (!this.standing) return;
    const turn = ++this.asked;
    try {
      const broken = await ask(
        api.POST('/api/teams/{teamId}/offense/stand', {
          ...this.at,
          body: { offense: this.draft.offense, standing: this.standing }
        })
      );
      if (turn === this.asked) this.broken = broken;
    } catch (e) {
      this.problem = e instanceof Error ? e.message : String(e);
    }
  }
}
