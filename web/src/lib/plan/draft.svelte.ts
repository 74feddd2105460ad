import { v4 as newId } from 'uuid';
import { api, ask, type Block, type Practice, type Schemas, type Sheet } from '$lib/api/client';
import { datedOrKept, keep } from '$lib/state/device';
import { History } from '$lib/state/history.svelte';
import { session } from '$lib/state/session.svelte';
import { dateOf, fromField, now, zoneOf } from '$lib/state/teamclock';

type Input = Required<Omit<Schemas['PracticeInput'], 'version'>>;
type Filled = Schemas['Filled'];
type Scope = Schemas['FillInput']['scope'];
type Reason = Filled['reasons'][number];

export function newBlock(kind: Block['kind'], title: string, minutes: number): Block {
  return {
    id: newId(),
    kind,
    title,
    drill: '',
    stage: '',
    minutes,
    baskets: 1,
    seconds: 0,
    seed: Math.floor(Math.random() * 2 ** 31),
    basket: 0,
    players: [],
    pin: false,
    noHelpers: false,
    playerShows: false,
    play: false
  };
}

export function drillBlock(drill: Schemas['Drill'], stage: string, minutes: number): Block {
  return { ...newBlock('drill', drill.name, minutes), drill: drill.id, stage, baskets: 2 };
}

const usualHour = 18; // common practice, no source

const usualMinutes = 90; // of a practice (common practice)

/** What a new practice starts with: an evening at six, everybody, no blocks; on a day that is given, or on
 * the first that is free, and no longer than the age's limit in minutes. */
export function firstPlan(
  team: string,
  players: string[],
  practices: Schemas['PracticeSummary'][],
  day?: string
): Schemas['PracticeInput'] {
  const zone = zoneOf(team);
  const taken = new Set(practices.map((p) => dateOf(p.startsAt, zone)));
  const free = now(zone);
  do free.setDate(free.getDate() + 1);
  while (taken.has(dateOf(+free, zone)));
  return {
    startsAt: fromField(`${day ?? dateOf(+free, zone)}T${usualHour}:00`, zone) ?? '',
    minutes: Math.min(usualMinutes, session.longestPractice(team) ?? usualMinutes),
    note: '',
    present: players,
    blocks: []
  };
}

/** Blocks for another practice: new ids, nothing pinned. */
export function again(blocks: Block[]): Block[] {
  return blocks.map((b) => ({ ...b, id: newId(), pin: false }));
}

/** A practice being edited: the draft, its history, its arithmetic. */
export class Draft {
  private steps = new History<Input>({
    startsAt: '',
    minutes: 90,
    note: '',
    present: [],
    limited: [],
    terms: { baskets: 2, helpers: 2, balls: 8, focus: [], expect: [], banned: [] },
    blocks: []
  });
  stored = $state.raw<Practice | null>(null);
  sheet = $state.raw<Sheet | null>(null);
  // What the sheet complains of, and what the last fitting did: an answer about the one
  // says nothing about the other.
  private unsound = $state('');
  private unfitted = $state('');
  problem = $derived(this.unfitted || this.unsound);
  chosen = $state('');
  saving = $state(false);
  /** Since when the stored plan is on this device, where the server did not answer. */
  since = $state<number>();
  filling = $state(false);
  /** The last fitted plan, and of what blocks it spoke. */
  filled = $state.raw<Filled | null>(null);
  private fittedTo = $state('');
  private reasons = $state.raw<Record<string, { reason: Reason; was: string }>>({});
  private asked = 0;

  get input() {
    return this.steps.now;
  }
  get canUndo() {
    return this.steps.canUndo;
  }
  get canRedo() {
    return this.steps.canRedo;
  }
  changed = $derived(
    this.stored !== null && JSON.stringify(this.input) !== JSON.stringify(inputOf(this.stored))
  );
  block = $derived(this.input.blocks.find((b) => b.id === this.chosen));

  /** Why the chosen block is there; silent once the block has been changed. */
  reason = $derived.by(() => {
    const b = this.block;
    const known = b && this.reasons[b.id];
    return known && known.was === gist(b) ? known.reason : undefined;
  });
  /** True while the plan, and what it was fitted to, is what it was then. */
  fits = $derived(this.filled !== null && this.fittedTo === terms(this.input));

  constructor(
    readonly team: string,
    readonly id: string
  ) {}

  async load() {
    const dated = await datedOrKept(
      `practice ${this.id}`,
      ask(
        api.GET('/api/teams/{teamId}/practices/{practiceId}', {
          params: { path: { teamId: this.team, practiceId: this.id } }
        })
      )
    );
    this.accept(dated.value);
    this.since = dated.since;
    this.chosen = this.input.blocks.find((b) => b.kind === 'drill')?.id ?? '';
  }

  private accept(p: Practice) {
    this.stored = p;
    this.steps.now = inputOf(p);
    this.sheet = p.sheet;
    this.unsound = this.unfitted = '';
  }

  change(next: Partial<Input>) {
    this.steps.step({ ...this.input, ...next });
    void this.compute();
  }

  changeBlock(id: string, next: Partial<Block>) {
    this.change({ blocks: this.input.blocks.map((b) => (b.id === id ? { ...b, ...next } : b)) });
  }

  add(b: Block) {
    const at = this.input.blocks.findIndex((x) => x.id === this.chosen);
    const blocks = [...this.input.blocks];
    blocks.splice(at < 0 ? blocks.length : at + 1, 0, b);
    this.change({ blocks });
    this.chosen = b.id;
  }

  remove(id: string) {
    const at = this.input.blocks.findIndex((b) => b.id === id);
    const blocks = this.input.blocks.filter((b) => b.id !== id);
    this.change({ blocks });
    this.chosen = blocks[Math.min(at, blocks.length - 1)]?.id ?? '';
  }

  move(id: string, by: number) {
    const blocks = [...this.input.blocks];
    const from = blocks.findIndex((b) => b.id === id);
    const to = from + by;
    const moved = blocks[from];
    if (!moved || to < 0 || to >= blocks.length) return;
    blocks.splice(from, 1);
    blocks.splice(to, 0, moved);
    this.change({ blocks });
  }

  /** Puts a block before the one that is now at an index. */
  moveTo(id: string, index: number) {
    const from = this.input.blocks.findIndex((b) => b.id === id);
    const moved = this.input.blocks[from];
    if (!moved || index === from || index === from + 1) return;
    const blocks = this.input.blocks.filter((b) => b.id !== id);
    blocks.splice(index > from ? index - 1 : index, 0, moved);
    this.change({ blocks });
  }

  /** Another drill in a block's place. */
  swap(id: string, by: Block) {
    const { drill, stage, title, baskets, seconds, seed, noHelpers, playerShows } = by;
    this.changeBlock(id, { drill, stage, title, baskets, seconds, seed, noHelpers, playerShows });
  }

  togglePin(id: string) {
    const b = this.input.blocks.find((x) => x.id === id);
    if (b && b.kind !== 'water') this.changeBlock(id, { pin: !b.pin });
  }

  setTerms(next: Partial<Schemas['Terms']>) {
    this.change({ terms: { ...this.input.terms, ...next } });
  }

  /** Present, present without live blocks, or absent. */
  setHere(player: string, how: 'here' | 'limited' | 'away') {
    const without = (list: string[]) => list.filter((p) => p !== player);
    this.change({
      present: how === 'away' ? without(this.input.present) : [...without(this.input.present), player],
      limited: how === 'limited' ? [...without(this.input.limited), player] : without(this.input.limited)
    });
  }

  /** Asks the core for the plan that moves the goals most; one step to undo. Where it
   * cannot be, the plan stays and the problem says why. */
  async fill(scope: Scope) {
    this.filling = true;
    try {
      const filled = await ask(
        api.POST('/api/teams/{teamId}/fill', {
          params: { path: { teamId: this.team } },
          body: { plan: this.input, scope }
        })
      );
      this.steps.step({ ...this.input, blocks: filled.blocks });
      this.asked++; // what is still being computed speaks of the plan before
      this.sheet = filled.sheet;
      this.unsound = this.unfitted = '';
      this.filled = filled;
      this.fittedTo = terms(this.input);
      const was = new Map(filled.blocks.map((b) => [b.id, gist(b)]));
      this.reasons = Object.fromEntries(
        filled.reasons.map((r) => [r.block, { reason: r, was: was.get(r.block) ?? '' }])
      );
      if (!this.block) this.chosen = filled.blocks.find((b) => b.kind === 'drill')?.id ?? '';
    } catch (e) {
      this.unfitted = e instanceof Error ? e.message : String(e);
    } finally {
      this.filling = false;
    }
  }

  /** Another good practice in place of the built one; one step to undo. */
  take(other: Filled['others'][number]) {
    this.change({ blocks: other.blocks });
    if (!this.block) this.chosen = other.blocks.find((b) => b.kind === 'drill')?.id ?? '';
  }

  choose(by: number) {
    const at = this.input.blocks.findIndex((b) => b.id === this.chosen);
    this.chosen = this.input.blocks[Math.max(0, Math.min(this.input.blocks.length - 1, at + by))]?.id ?? '';
  }

  undo() {
    if (this.steps.undo()) void this.compute();
  }

  redo() {
    if (this.steps.redo()) void this.compute();
  }

  /** Saves the plan. What is edited while the server answers stays on the page, unsaved. */
  async save() {
    this.saving = true;
    const sent = this.input;
    try {
      const stored = await ask(
        api.PUT('/api/teams/{teamId}/practices/{practiceId}', {
          params: { path: { teamId: this.team, practiceId: this.id } },
          body: { ...sent, version: this.stored?.version }
        })
      );
      if (this.input === sent) this.accept(stored);
      else this.stored = stored;
      this.since = undefined;
      void keep(`practice ${this.id}`, stored, this.team);
    } finally {
      this.saving = false;
    }
  }

  /** Asks the core for the plan's arithmetic; the newest question wins. */
  private async compute() {
    const mine = ++this.asked;
    this.unfitted = ''; // it spoke of the plan before
    try {
      const sheet = await ask(
        api.POST('/api/teams/{teamId}/sheet', { params: { path: { teamId: this.team } }, body: this.input })
      );
      if (mine !== this.asked) return;
      this.sheet = sheet;
      this.unsound = '';
    } catch (e) {
      if (mine === this.asked) this.unsound = e instanceof Error ? e.message : String(e);
    }
  }
}

/** What a reason speaks of; a pin changes nothing about it. */
function gist(b: Block): string {
  return [b.id, b.drill, b.stage, b.minutes, b.baskets, b.basket].join('|');
}

/** All that a fitted plan speaks of. */
function terms({ minutes, present, limited, terms, blocks }: Input): string {
  return JSON.stringify([minutes, present, limited, terms, blocks.map(gist)]);
}

function inputOf(p: Practice): Input {
  const { startsAt, minutes, note, present, limited, terms, blocks } = p;
  return { startsAt, minutes, note, present, limited, terms, blocks };
}
