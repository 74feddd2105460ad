import Dexie, { type EntityTable } from 'dexie';
import { Refusal, type Schemas } from '$lib/api/client';

/** Something done on the floor that the server may not have yet: a rep event, an
 * action on the clock, or a change of who is there. */
export interface Waiting {
  /** Order in which it was done on this device. */
  n?: number;
  team?: string;
  practice: string;
  /** The practice is a game. */
  game?: boolean;
  event?: Schemas['RepEvent'];
  clock?: Schemas['ClockAction'];
  change?: Schemas['FloorChange'];
  /** The device had no room for it. */
  unkept?: boolean;
  /** Why the server will not take it, when it has said so. */
  refused?: string;
}

/** An answer of the server, for when there is none. */
interface Kept {
  key: string;
  value: unknown;
  /** When it was the server's answer, in ms since 1970. */
  at?: number;
  /** The team it is about, where that matters for finding it. */
  team?: string;
}

/** A rep of a practice as the floor shows it. */
interface Shown {
  id: string;
  practice: string;
  entry: unknown;
}

/** A player's answer in the read quiz that the server may not have yet. */
interface Seen {
  id: string;
  link: string;
  answer: Schemas['QuizAnswer'];
}

export const device = new Dexie('evrik') as Dexie & {
  waiting: EntityTable<Waiting, 'n'>;
  kept: EntityTable<Kept, 'key'>;
  shown: EntityTable<Shown, 'id'>;
  seen: EntityTable<Seen, 'id'>;
};
device.version(1).stores({ waiting: '++n, practice' });
device.version(2).stores({ waiting: '++n, practice', kept: '&key' });
device.version(3).stores({ waiting: '++n, practice', kept: '&key', shown: '&id, practice' });
device
  .version(4)
  .stores({ waiting: '++n, practice', kept: '&key', shown: '&id, practice', seen: '&id, link' });
// Corrections became tags, and right became correct. What waits to be sent keeps its tags; copies
// of what the server has are fetched again.
device.version(5).upgrade(async (before) => {
  await before
    .table('waiting')
    .toCollection()
    .modify((row) => {
      if (row.event?.corrections) row.event.tags = row.event.corrections;
      if (row.event) delete row.event.corrections;
    });
  await before
    .table('shown')
    .toCollection()
    .modify((row) => {
      row.entry.correct = row.entry.right;
      row.entry.event.tags = row.entry.event.corrections;
    });
  await before.table('kept').clear();
});
// Screen became action. What was refused for its old name may be sent again.
device.version(6).upgrade(async (before) => {
  const renamed = (event?: { screen?: string; action?: string }) => {
    if (!event || event.screen === undefined) return false;
    event.action = event.screen;
    delete event.screen;
    return true;
  };
  await before
    .table('waiting')
    .toCollection()
    .modify((row) => {
      if (renamed(row.event)) delete row.refused;
    });
  await before
    .table('shown')
    .toCollection()
    .modify((row) => renamed(row.entry.event));
  await before
    .table('seen')
    .toCollection()
    .modify((row) => renamed(row.answer.card));
  await before.table('kept').clear();
});

/** Keeps an answer. A device without room goes on without it. */
export async function keep(key: string, value: unknown, team?: string) {
  await device.kept.put({ key, value, at: Date.now(), ...(team ? { team } : {}) }).catch(() => {});
}

/** Everything of a team that is kept under keys of one kind, such as "run". */
export async function keptOf<T>(kind: string, team: string): Promise<Dated<T>[]> {
  const rows = await device.kept
    .where('key')
    .startsWith(`${kind} `)
    .filter((r) => r.team === team)
    .toArray()
    .catch(() => []);
  return rows.map((r) => ({ value: r.value as T, since: r.at ?? 0 }));
}

/** What was kept; undefined if nothing was. */
export async function kept<T>(key: string): Promise<T | undefined> {
  const row = await device.kept.get(key).catch(() => undefined);
  return row?.value as T | undefined;
}

/** Forgets what is kept of all practices but these and those with something still
 * to send: a device holds no more of children than the evening needs. */
export async function forgetOthers(...practices: string[]) {
  const waiting = await device.waiting.toArray();
  const needed = new Set([...practices, ...waiting.map((r) => r.practice)]);
  await device.shown.filter((r) => !needed.has(r.practice)).delete();
  await device.kept
    .filter((r) => /^(run|place|practice|bench) /.test(r.key) && !needed.has(r.key.split(' ')[1] ?? ''))
    .delete();
}

/** Forgets all answers, on signing out. What waits to be sent stays. */
export async function forget() {
  await device.kept.clear().catch(() => {});
  await device.shown.clear().catch(() => {});
}

const reserve = 'reserve';
const reserveBytes = 1_000_000; // some two thousand reps (assumption)
const randomAtOnce = 65_536; // bytes, the most a browser gives

/** Sets room aside, so that a device that fills up can still keep the reps of an
 * evening, and say so in time: browsers do not tell how much is left. False where
 * there is no room even for that. */
export async function setAside(): Promise<boolean> {
  if (await kept(reserve)) return true;
  const bytes = new Uint8Array(reserveBytes); // random, so that no store makes it smaller
  for (let i = 0; i < bytes.length; i += randomAtOnce)
    crypto.getRandomValues(bytes.subarray(i, i + randomAtOnce));
  return device.kept.put({ key: reserve, value: bytes }).then(
    () => true,
    () => false
  );
}

/** Gives the room that was set aside to what has to be kept now; false where there
 * is none. */
export async function useReserve(): Promise<boolean> {
  if (!(await kept(reserve))) return false;
  await device.kept.delete(reserve);
  return true;
}

/** True where no answer came, or the server is in trouble. */
export const unanswered = (e: unknown) => e instanceof Refusal && (e.status === 0 || e.status >= 500);

/** What is shown, and since when it is on this device where the server did not answer. */
export interface Dated<T> {
  value: T;
  /** In ms since 1970; undefined where the server has answered now. */
  since?: number;
}

/** The server's answer, which is kept; where there is none, what was kept, with its age. */
export async function datedOrKept<T>(key: string, call: Promise<T>): Promise<Dated<T>> {
  try {
    const value = await call;
    await keep(key, value);
    return { value };
  } catch (e) {
    const row = unanswered(e) ? await device.kept.get(key).catch(() => undefined) : undefined;
    if (row === undefined) throw e;
    return { value: row.value as T, since: row.at ?? 0 };
  }
}

/** The server's answer, which is kept; where there is none, what was kept. */
export async function orKept<T>(key: string, call: Promise<T>): Promise<T> {
  return (await datedOrKept(key, call)).value;
}

/** How many reps are on this device that the server may not have. */
export async function unsentReps(): Promise<number> {
  return device.waiting
    .filter((r) => r.event !== undefined)
    .count()
    .catch(() => 0);
}
