import type { Schemas } from '$lib/api/client';
import { dateOf } from '$lib/state/teamclock';

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

/** What a board is about, and in which order: all of it stands in the address. */
export interface Filters {
  part: Part;
  rung: string;
  side: string;
  period: string;
  from: string;
  until: string;
  order: Order;
}

const none: Filters = { part: 'cutter', rung: '', side: '', period: '', from: '', until: '', order: 'book' };

export function filtersIn(search: URLSearchParams): Filters {
  const text = (name: keyof Filters) => search.get(name) ?? none[name];
  const part = text('part');
  return {
    part: part in partNames ? (part as Part) : none.part,
    rung: text('rung'),
    side: text('side'),
    period: text('period'),
    from: text('from'),
    until: text('until'),
    order: text('order') === 'need' ? 'need' : 'book'
  };
}

/** The address of a board, without what is as usual. */
export function addressOf(filters: Filters): string {
  const said = Object.entries(filters).filter(([name, value]) => value !== none[name as keyof Filters]);
  return `?${new URLSearchParams(said)}`;
}

/** A board of the same part and order with nothing left out. */
export const everything = (f: Filters): Filters => ({ ...none, part: f.part, order: f.order });

export const narrowed = (f: Filters) => Boolean(f.rung || f.side || f.period);

/** What the server is asked for. */
export function queryOf(f: Filters) {
  const q: { role: Part; rung?: string; side?: string; from?: string; until?: string } = { role: f.part };
  if (f.rung) q.rung = f.rung;
  if (f.side) q.side = f.side;
  if (f.period === 'own') {
    if (f.from) q.from = f.from;
    if (f.until) q.until = f.until;
  } else if (f.period) {
    q.from = dateOf(Date.now() - Number(f.period) * days);
  }
  return q;
}

/** Columns and lines in the chosen order: what holds the team back first. */
export function inOrder(b: Board, order: Order) {
  const columns = b.columns.map((_, i) => i);
  const lines = b.lines.map((line, i) => ({ line, player: b.players[i]! }));
  if (order === 'need') {
    const place = new Map(b.holds.map((h, i) => [h.read, i]));
    columns.sort((x, y) => (place.get(b.columns[x]!) ?? 0) - (place.get(b.columns[y]!) ?? 0));
    const weight = { 'not-yet': 1000, lapsed: 1, 'too-close': 0, 'not-enough': 0, has: 0 };
    const need = (l: Board['lines'][number]) => l.cells.reduce((n, c) => n + weight[c.judgement.verdict], 0);
    lines.sort((x, y) => need(y.line) - need(x.line));
  }
  return {
    columns: columns.map((i) => b.columns[i]!),
    lines: lines.map(({ line, player }) => ({ player, cells: columns.map((i) => line.cells[i]!) }))
  };
}
