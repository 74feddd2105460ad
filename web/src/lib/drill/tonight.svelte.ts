import { api, ask, type Player, type Schemas } from '$lib/api/client';
import { session } from '$lib/state/session.svelte';

type Drill = Schemas['Drill'];

/** What a drill's page knows of the team before anything is dealt. */
export interface Setting {
  players: Player[];
  motion: Schemas['Motion'];
  /** The answers to the drill's cues; none where it teaches no read. */
  answers: Schemas['Row'][];
  /** The highest rung each player holds on a read of the drill's action. */
  held: number[];
}

/** Asks for all of it. */
export async function settingOf(team: string, drill: Drill): Promise<Setting> {
  const path = { teamId: team };
  const [players, motion, lesson, board] = await Promise.all([
    ask(api.GET('/api/teams/{teamId}/players', { params: { path } })),
    ask(api.GET('/api/teams/{teamId}/motion', { params: { path, query: { drill: drill.id } } })),
    drill.action
      ? ask(api.GET('/api/teams/{teamId}/lesson', { params: { path, query: { action: drill.action } } }))
      : undefined,
    session.catalogue?.actions.find((s) => s.id === drill.action)?.roles[0] === 'cutter'
      ? ask(api.GET('/api/teams/{teamId}/board', { params: { path, query: { role: 'cutter' } } }))
      : undefined
  ]);
  const answers = lesson?.rows ?? [];
  const asked = board?.columns.flatMap((c, i) => (answers.some((r) => r.cutterRead === c) ? [i] : [])) ?? [];
  const held = board?.lines.map((l) => Math.max(0, ...asked.map((i) => l.cells[i]?.held ?? 0))) ?? [];
  return { players, motion, answers, held };
}

/** Tonight's numbers for a drill, and the order list that they deal. */
export class Tonight {
  here = $state<Record<string, boolean>>({});
  stageId = $state('');
  noHelpers = $state(false);
  baskets = $state(2);
  minutes = $state(10);
  seconds = $state<number>();
  seed = $state(1);
  apart = $state<string[][]>([]);
  together = $state<string[][]>([]);
  harder = $state<string[]>([]);
  /** The rep that is shown. */
  at = $state(0);
  /** Reps that have been run: they stand when somebody comes or leaves. */
  done = $state.raw<Schemas['OrderRep'][]>([]);
  order = $state.raw<Schemas['Order'] | null>(null);
  problem = $state('');
  /** While the list on the page is not yet that of the numbers above it. */
  dealing = $state(false);
  private asked = 0;
  private byId: Map<string, Player>;

  constructor(
    private team: string,
    readonly drill: Drill,
    readonly players: Player[]
  ) {
    this.byId = new Map(players.map((p) => [p.id, p]));
    this.here = Object.fromEntries(players.map((p) => [p.id, true]));
    // A drill opens at its first live stage, or where its ladder ends.
    this.stageId = (drill.stages.find((s) => s.defenders > 0) ?? drill.stages.at(-1))?.id ?? '';
  }

  get stage() {
    return this.drill.stages.find((s) => s.id === this.stageId) ?? this.drill.stages[0]!;
  }

  /** The players who take part. */
  get present() {
    return this.players.filter((p) => this.here[p.id]);
  }

  jersey = (id: string) => this.byId.get(id)?.jersey ?? '';
  name = (id: string) => this.byId.get(id)?.name ?? 'coach';

  choose(stage: string) {
    this.done = [];
    this.stageId = stage;
  }

  /** Asks for the list of the numbers as they are; an answer that another question has overtaken is dropped. */
  async deal() {
    const body = {
      drill: this.drill.id,
      stage: this.stage.id,
      players: this.present.map((p) => p.id),
      baskets: this.baskets,
      minutes: this.minutes,
      seed: this.seed,
      noHelpers: this.noHelpers,
      apart: this.apart,
      together: this.together,
      harder: this.harder,
      ...(this.done.length ? { done: this.done } : {}),
      ...(this.seconds ? { seconds: this.seconds } : {})
    };
    const mine = ++this.asked;
    this.dealing = true;
    const path = { teamId: this.team };
    const answer = await ask(api.POST('/api/teams/{teamId}/order', { params: { path }, body })).catch(
      (e: Error) => e
    );
    if (mine !== this.asked) return;
    this.dealing = false;
    this.problem = answer instanceof Error ? answer.message : '';
    this.order = answer instanceof Error ? null : answer;
    if (this.order) this.at = Math.min(this.done.length, this.order.reps.length - 1);
  }
}
