import { api, ask, type Schemas } from '$lib/api/client';
import { History } from '$lib/state/history.svelte';

export type Drill = Schemas['Drill'];
export type Act = Schemas['Phase']['acts'][number];

const askAfter = 250; // ms after the last change the engine is asked

/** A drill that is being written: every change can be undone, and the engine says
 * at once what cannot be run. */
export class Draft {
  private steps: History<Drill>;
  motion = $state.raw<Schemas['Motion'] | null>(null);
  problem = $state('');
  stored = $state('');
  version = $state(0);
  private timer: ReturnType<typeof setTimeout> | undefined;
  private asked = 0;

  constructor(
    private team: string,
    drill: Drill,
    version: number
  ) {
    this.steps = new History(drill);
    this.version = version;
    this.stored = version > 0 ? JSON.stringify(drill) : '';
    void this.preview();
  }

  get drill() {
    return this.steps.now;
  }
  get canUndo() {
    return this.steps.canUndo;
  }
  get canRedo() {
    return this.steps.canRedo;
  }
  get changed() {
    return JSON.stringify(this.drill) !== this.stored;
  }

  change(next: Partial<Drill>) {
    this.steps.step({ ...this.drill, ...next });
    this.show();
  }

  undo() {
    if (this.steps.undo()) this.show();
  }

  redo() {
    if (this.steps.redo()) this.show();
  }

  private show() {
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
    this.steps.now = o.drill;
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
