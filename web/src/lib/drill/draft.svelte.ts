import { api, ask, type Schemas } from '$lib/api/client';

export type Drill = Schemas['Drill'];
export type Act = Schemas['Phase']['acts'][number];

const historyDepth = 60;
const askAfter = 250; // ms after the last change the engine is asked

/** A drill that is being written: every change can be undone, and the engine says
 * at once what cannot be run. */
export class Draft {
  drill = $state.raw<Drill>(null as unknown as Drill);
  motion = $state.raw<Schemas['Motion'] | null>(null);
  problem = $state('');
  stored = $state('');
  version = $state(0);
  private past: Drill[] = $state.raw([]);
  private future: Drill[] = $state.raw([]);
  private timer: ReturnType<typeof setTimeout> | undefined;
  private asked = 0;

  constructor(
    private team: string,
    drill: Drill,
    version: number
  ) {
    this.drill = drill;
    this.version = version;
    this.stored = version > 0 ? JSON.stringify(drill) : '';
    this.preview();
  }

  changed = $derived(JSON.stringify(this.drill) !== this.stored);
  canUndo = $derived(this.past.length > 0);
  canRedo = $derived(this.future.length > 0);

  change(next: Partial<Drill>) {
    this.past = [...this.past.slice(-historyDepth), this.drill];
    this.future = [];
    this.show({ ...this.drill, ...next });
  }

  undo() {
    const before = this.past.at(-1);
    if (!before) return;
    this.past = this.past.slice(0, -1);
    this.future = [this.drill, ...this.future];
    this.show(before);
  }

  redo() {
    const [after, ...rest] = this.future;
    if (!after) return;
    this.future = rest;
    this.past = [...this.past, this.drill];
    this.show(after);
  }

  private show(d: Drill) {
    this.drill = d;
    clearTimeout(this.timer);
    this.timer = setTimeout(() => this.preview(), askAfter);
  }

  private async preview() {
    const mine = ++this.asked;
    try {
      const motion = await ask(
        api.POST('/api/teams/{teamId}/preview', {
          params: { path: { teamId: this.team } },
          body: this.drill
        })
      );
      if (mine === this.asked) {
        this.motion = motion;
        this.problem = '';
      }
    } catch (e) {
      if (mine === this.asked) this.problem = e instanceof Error ? e.message : String(e);
    }
  }

  /** Stores the drill, a new one under an id of its own. */
  async store(): Promise<string> {
    const o =
      this.version === 0
        ? await ask(api.POST('/api/drills', { body: { schema: fileSchema, drill: this.drill } }))
        : await ask(
            api.PUT('/api/drills/{drillId}', {
              params: { path: { drillId: this.drill.id } },
              body: { drill: this.drill, version: this.version }
            })
          );
    this.drill = o.drill;
    this.version = o.version;
    this.stored = JSON.stringify(o.drill);
    return o.drill.id;
  }
}

/** The version of the drill file this product writes. */
export const fileSchema = 1;

/** Stores a drill as a file on this device. */
export function download(drill: Drill) {
  const text = JSON.stringify({ schema: fileSchema, drill }, null, 2);
  const link = document.createElement('a');
  link.href = URL.createObjectURL(new Blob([text], { type: 'application/json' }));
  link.download = `${drill.name.toLowerCase().replace(/[^a-z0-9]+/g, '-')}.json`;
  link.click();
  URL.revokeObjectURL(link.href);
}
