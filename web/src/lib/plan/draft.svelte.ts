import { api, ask, type Block, type Practice, type Schemas, type Sheet } from '$lib/api/client';

type Input = Schemas['PracticeInput'];

const historyDepth = 200;

export function newBlock(kind: Block['kind'], title: string, minutes: number): Block {
  return {
    id: crypto.randomUUID(),
    kind,
    title,
    drill: '',
    stage: '',
    minutes,
    baskets: 1,
    seconds: 0,
    seed: Math.floor(Math.random() * 2 ** 31),
    end: 0,
    players: [],
    pin: false,
    noHelpers: false
  };
}

export function drillBlock(drill: Schemas['Drill'], stage: string, minutes: number): Block {
  return { ...newBlock('drill', drill.name, minutes), drill: drill.id, stage, baskets: 2 };
}

/** What a new practice starts with: tomorrow at six, everybody, one drill shown and live. */
export function firstPlan(players: string[], drill: Schemas['Drill'] | undefined): Input {
  const at = new Date();
  at.setDate(at.getDate() + 1);
  at.setHours(18, 0, 0, 0);
  return {
    startsAt: at.toISOString(),
    minutes: 90,
    note: '',
    present: players,
    blocks: [
      newBlock('own', 'Warm-up: run, land, change direction', 10),
      newBlock('own', 'Ball handling and lay-ups', 9),
      newBlock('water', 'Water', 2),
      ...(drill
        ? [drillBlock(drill, 'shown', 12), newBlock('water', 'Water', 2), drillBlock(drill, 'live', 14)]
        : [])
    ]
  };
}

/** A practice being edited: the draft, its history, its arithmetic. */
export class Draft {
  input = $state.raw<Input>({ startsAt: '', minutes: 90, note: '', present: [], blocks: [] });
  stored = $state.raw<Practice | null>(null);
  sheet = $state.raw<Sheet | null>(null);
  problem = $state('');
  chosen = $state('');
  saving = $state(false);
  private past = $state.raw<Input[]>([]);
  private future = $state.raw<Input[]>([]);
  private asked = 0;

  canUndo = $derived(this.past.length > 0);
  canRedo = $derived(this.future.length > 0);
  changed = $derived(
    this.stored !== null && JSON.stringify(this.input) !== JSON.stringify(inputOf(this.stored))
  );
  block = $derived(this.input.blocks.find((b) => b.id === this.chosen));

  constructor(
    private team: string,
    private id: string
  ) {}

  async load() {
    this.take(
      await ask(
        api.GET('/api/teams/{teamId}/practices/{practiceId}', {
          params: { path: { teamId: this.team, practiceId: this.id } }
        })
      )
    );
    this.chosen = this.input.blocks.find((b) => b.kind === 'drill')?.id ?? '';
  }

  private take(p: Practice) {
    this.stored = p;
    this.input = inputOf(p);
    this.sheet = p.sheet;
    this.problem = '';
  }

  change(next: Partial<Input>) {
    this.past = [...this.past.slice(-historyDepth), this.input];
    this.future = [];
    this.input = { ...this.input, ...next };
    this.compute();
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

  choose(by: number) {
    const at = this.input.blocks.findIndex((b) => b.id === this.chosen);
    this.chosen = this.input.blocks[Math.max(0, Math.min(this.input.blocks.length - 1, at + by))]?.id ?? '';
  }

  togglePresent(player: string) {
    const present = this.input.present.includes(player)
      ? this.input.present.filter((p) => p !== player)
      : [...this.input.present, player];
    this.change({ present });
  }

  undo() {
    const before = this.past.at(-1);
    if (!before) return;
    this.future = [this.input, ...this.future];
    this.past = this.past.slice(0, -1);
    this.input = before;
    this.compute();
  }

  redo() {
    const after = this.future[0];
    if (!after) return;
    this.past = [...this.past, this.input];
    this.future = this.future.slice(1);
    this.input = after;
    this.compute();
  }

  async save() {
    this.saving = true;
    try {
      this.take(
        await ask(
          api.PUT('/api/teams/{teamId}/practices/{practiceId}', {
            params: { path: { teamId: this.team, practiceId: this.id } },
            body: { ...this.input, version: this.stored?.version }
          })
        )
      );
    } finally {
      this.saving = false;
    }
  }

  /** Asks the core for the plan's arithmetic; the newest question wins. */
  private async compute() {
    const mine = ++this.asked;
    try {
      const sheet = await ask(
        api.POST('/api/teams/{teamId}/sheet', { params: { path: { teamId: this.team } }, body: this.input })
      );
      if (mine !== this.asked) return;
      this.sheet = sheet;
      this.problem = '';
    } catch (e) {
      if (mine === this.asked) this.problem = e instanceof Error ? e.message : String(e);
    }
  }
}

function inputOf(p: Practice): Input {
  return { startsAt: p.startsAt, minutes: p.minutes, note: p.note, present: p.present, blocks: p.blocks };
}
