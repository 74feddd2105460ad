import type { Schemas } from '$lib/api/client';
import { holds } from '$lib/state/asked';

type Drill = Schemas['Drill'];

/** What a drill's level is called. */
export const levels: Record<number, string> = { 1: 'Beginner', 2: 'Intermediate', 3: 'Advanced' };

/** The action that a drill teaches; none for a skill. */
export const actionOf = (catalogue: Schemas['Catalogue'] | null, d: Drill) =>
  catalogue?.actions.find((s) => s.id === d.action);

/** The shelf on which a drill stands: its own group, that of its action, or skills. */
export const shelfOf = (catalogue: Schemas['Catalogue'] | null, d: Drill): string =>
  d.group ?? actionOf(catalogue, d)?.family ?? 'skill';

/** Whether a team's age leaves a drill out of its plans. */
export const leftOut = (
  catalogue: Schemas['Catalogue'] | null,
  d: Drill,
  out?: Schemas['LeftOut']
): boolean => !!out && (out.actions.includes(d.action ?? '') || out.groups.includes(shelfOf(catalogue, d)));

/** Drills on their shelves, in teaching order; an empty shelf is not there. */
export const shelves = (catalogue: Schemas['Catalogue'] | null, drills: Drill[]) =>
  (catalogue?.groups ?? [])
    .map((g) => ({ ...g, drills: drills.filter((d) => shelfOf(catalogue, d) === g.id) }))
    .filter((g) => g.drills.length);

export const hasHelper = (d: Drill) => d.positions.some((p) => p.helper);

/** The fewest players some stage of a drill works with. */
export const fewest = (d: Drill) =>
  d.positions.filter((p) => !p.helper).length + Math.min(...d.stages.map((s) => s.defenders));

/** What the library is narrowed to. */
export interface Wanted {
  words: string;
  group: string;
  action: string;
  rung: string;
  level: number;
  players?: number | undefined;
  alone: boolean;
  /** Only these, where it is given. */
  only: string[] | null;
}

/** Whether a drill is wanted. */
export function fits(catalogue: Schemas['Catalogue'] | null, d: Drill, w: Wanted): boolean {
  const text = `${d.name} ${d.about} ${d.watch.join(' ')} ${actionOf(catalogue, d)?.name ?? ''}`;
  return (
    (!w.group || shelfOf(catalogue, d) === w.group) &&
    (!w.action || d.action === w.action) &&
    (!w.rung || d.stages.some((s) => s.rung === w.rung)) &&
    (!w.level || d.level === w.level) &&
    (!w.players || fewest(d) <= w.players) &&
    (!w.alone || !hasHelper(d)) &&
    (!w.only || w.only.includes(d.id)) &&
    holds(text, w.words)
  );
}

/** A rep ends in a shot, so that makes can be logged where no read is taught. */
export const shoots = (d: Schemas['Drill']) => d.phases.some((p) => p.acts.some((a) => a.do === 'shot'));
