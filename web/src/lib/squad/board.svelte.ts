import { api, ask, type Schemas } from '$lib/api/client';

type Board = Schemas['Board'];
export type Order = 'book' | 'need';

export const partNames = {
  cutter: 'Cutter',
  screener: 'Screener',
  handler: 'Handler',
  passer: 'Passer',
  post: 'Post',
  teammate: 'Nearest teammate',
  safety: 'Behind the drive',
  corner: 'Corner',
  defender: 'Defender',
  all: 'All parts'
};
export type Part = keyof typeof partNames;

const days = 24 * 3600_000;
export const periods = [
  { id: '', name: 'The whole record' },
  { id: '7', name: 'Last 7 days' },
  { id: '14', name: 'Last 14 days' },
  { id: '30', name: 'Last 30 days' },
  { id: 'own', name: 'From … to …' }
];

/** The board with what it is narrowed to and the order it is read in. */
export class BoardView {
  board = $state.raw<Board | null>(null);
  problem = $state('');
  part = $state<Part>('cutter');
  rung = $state('');
  side = $state('');
  period = $state('');
  from = $state('');
  until = $state('');
  order = $state<Order>('book');
  private asked = 0;

  constructor(private team: string) {}

  get narrowed() {
    return Boolean(this.rung || this.side || this.period);
  }

  private get query() {
    const q: Record<string, string> = {};
    if (this.rung) q.rung = this.rung;
    if (this.side) q.side = this.side;
    if (this.period === 'own') {
      if (this.from) q.from = this.from;
      if (this.until) q.until = this.until;
    } else if (this.period) {
      q.from = new Date(Date.now() - Number(this.period) * days).toISOString().slice(0, 10);
    }
    return q;
  }

  async load() {
    const turn = ++this.asked;
    try {
      const board = await ask(
        api.GET('/api/teams/{teamId}/board', {
          params: { path: { teamId: this.team }, query: { role: this.part, ...this.query } }
        })
      );
      if (turn !== this.asked) return; // somebody has asked for something else since
      this.board = board;
      this.problem = '';
    } catch (e) {
      if (turn === this.asked) this.problem = e instanceof Error ? e.message : String(e);
    }
  }

  everything() {
    this.rung = this.side = this.period = '';
    return this.load();
  }

  /** Columns and lines in the chosen order: what holds the team back first. */
  shown = $derived.by(() => {
    const b = this.board;
    if (!b) return { columns: [], lines: [] };
    const columns = b.columns.map((_, i) => i);
    const lines = b.lines.map((line, i) => ({ line, player: b.players[i]! }));
    if (this.order === 'need') {
      const place = new Map(b.holds.map((h, i) => [h.read, i]));
      columns.sort((x, y) => (place.get(b.columns[x]!) ?? 0) - (place.get(b.columns[y]!) ?? 0));
      const need = (l: (typeof b.lines)[number]) =>
        l.cells.reduce(
          (n, c) => n + (c.judgement.verdict === 'not-yet' ? 1000 : c.judgement.verdict === 'stale' ? 1 : 0),
          0
        );
      lines.sort((x, y) => need(y.line) - need(x.line));
    }
    return {
      columns: columns.map((i) => b.columns[i]!),
      lines: lines.map(({ line, player }) => ({ player, cells: columns.map((i) => line.cells[i]!) }))
    };
  });
}
