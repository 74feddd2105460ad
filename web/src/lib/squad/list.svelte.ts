import { api, ask, type Schemas } from '$lib/api/client';
import { notices } from '$lib/state/notices.svelte';

type List = Schemas['RosterList'];
export type Use = Schemas['ColumnUse'];

const pause = 300; // ms after the last key until the list is read (assumption)

/** A list of players that was pasted or chosen as a file, and what it would do to the roster. */
export class PlayerList {
  text = $state('');
  file = $state.raw<{ name: string; bytes: string } | null>(null);
  /** Lines that do not fit are left out instead of holding the list back. */
  skip = $state(false);
  preview = $state.raw<Schemas['RosterPreview'] | null>(null);
  busy = $state(false);
  private columns: Use[] | undefined;
  private timer = 0;
  private turn = 0;

  constructor(private team: string) {}

  /** Players who are new or change. */
  changes = $derived(this.preview?.changes.filter((c) => c.kind !== 'same') ?? []);
  /** How many lines do not fit. */
  unfit = $derived(this.preview?.errors.filter((e) => e.row > 0).length ?? 0);
  ready = $derived.by(() => {
    const errors = this.preview?.errors.length ?? 0;
    return this.changes.length > 0 && (errors === 0 || (this.skip && this.unfit === errors));
  });

  private get request() {
    const body: List = {
      ...(this.file ? { file: this.file.bytes } : { text: this.text }),
      columns: this.columns,
      skip: this.skip
    };
    return { params: { path: { teamId: this.team } }, body };
  }

  /** Reads the list a moment after the last key. */
  typed() {
    this.columns = undefined;
    clearTimeout(this.timer);
    this.timer = window.setTimeout(() => void this.read(), pause);
  }

  async choose(file: File) {
    const bytes = new Uint8Array(await file.arrayBuffer());
    let binary = '';
    for (const b of bytes) binary += String.fromCharCode(b);
    this.file = { name: file.name, bytes: btoa(binary) };
    this.columns = undefined;
    await this.read();
  }

  /** Says what a column holds; no two columns hold the same. */
  use(column: number, as: Use) {
    this.columns = this.preview?.columns.map((c, i) => (i === column ? as : c.use === as ? 'ignore' : c.use));
    void this.read();
  }

  /** Asks what the list would do; an older answer that comes late is not shown. */
  private async read() {
    clearTimeout(this.timer);
    const mine = ++this.turn;
    if (!this.text.trim() && !this.file) {
      this.preview = null;
      return;
    }
    try {
      const said = await ask(api.POST('/api/teams/{teamId}/roster/preview', this.request));
      if (mine === this.turn) this.preview = said;
    } catch (e) {
      notices.fail(e);
    }
  }

  async save() {
    this.busy = true;
    try {
      notices.say((await ask(api.POST('/api/teams/{teamId}/roster', this.request))).message);
      this.clear();
    } catch (e) {
      notices.fail(e);
    } finally {
      this.busy = false;
    }
  }

  clear() {
    this.turn++;
    this.text = '';
    this.file = null;
    this.columns = undefined;
    this.skip = false;
    this.preview = null;
  }
}
