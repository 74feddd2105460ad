import type { Point, Snapshot } from '$lib/api/client';

/** The court's y points up, the screen's down. */
export const sy = (p: Point) => -p.y;

export const add = (p: Point, x: number, y: number): Point => ({ x: p.x + x, y: p.y + y });
export const mirror = (p: Point): Point => ({ x: -p.x, y: p.y });
export const distance = (p: Point, q: Point) => Math.hypot(p.x - q.x, p.y - q.y);

/** Degrees to turn a wedge that points to +x so that it faces from p to q. */
export const facing = (p: Point, q: Point) => (Math.atan2(-(q.y - p.y), q.x - p.x) * 180) / Math.PI;

/** The place in a track at a time: straight lines at even speed between keys. */
export function along(keys: { t: number; at: Point }[], t: number): Point {
  const i = keys.findIndex((key) => key.t >= t);
  const key = keys[i] ?? keys.at(-1);
  if (!key) return { x: 0, y: 0 };
  const before = keys[i - 1];
  const span = before ? key.t - before.t : 0;
  if (!before || span <= 0) return key.at;
  const starts = still(keys[i - 2], before);
  const stops = still(key, keys[i + 1]);
  const thrown = distance(before.at, key.at) / span > thrownAt;
  const k = eased((t - before.t) / span, starts && !thrown, stops && !thrown);
  return { x: before.at.x + (key.at.x - before.at.x) * k, y: before.at.y + (key.at.y - before.at.y) * k };
}

const thrownAt = 20; // ft/s: nobody runs as fast, so it is the ball in the air, which does not ease
const give = 0.6; // how much slower somebody starts and stops than they run on the way

/** Whether nobody moves between two keys, or there is none. */
const still = (a: Keyed | undefined, b: Keyed | undefined) => !a || !b || distance(a.at, b.at) < 0.01;
type Keyed = { t: number; at: Point };

/** How far along somebody is who starts from standing or stops, at a share of the time. */
function eased(k: number, starts: boolean, stops: boolean): number {
  if (starts && stops) return k - (give * Math.sin(2 * Math.PI * k)) / (2 * Math.PI);
  const bow = (give * Math.sin(Math.PI * k)) / Math.PI;
  return starts ? k - bow : stops ? k + bow : k;
}

/** The court point under a pointer. */
export function pointAt(svg: SVGSVGElement, clientX: number, clientY: number): Point | null {
  const m = svg.getScreenCTM();
  if (!m) return null;
  const p = new DOMPoint(clientX, clientY).matrixTransform(m.inverse());
  return { x: p.x, y: -p.y };
}

const isPoint = (v: unknown): v is Point => typeof v === 'object' && v !== null && 'x' in v && 'y' in v;

/** An arrow shows where its player is so many seconds on. */
const arrowSeconds = 0.4;
/** The handle of a player's arrow. */
export const arrowOf = (who: string) => `arrow.${who}`;
const ofArrow = (who: string) => (who.startsWith('arrow.') ? who.slice('arrow.'.length) : '');

/** Where somebody is in a snapshot, or where a handle of theirs stands; under the ring when nobody
 * is there. */
export function placeOf(s: Snapshot, who: string): Point {
  if (who === 'gaze') return s.facing?.xCutter ?? { x: 0, y: 0 };
  const mover = ofArrow(who);
  if (mover) {
    const v = s.velocity?.[mover];
    return add(placeOf(s, mover), (v?.x ?? 0) * arrowSeconds, (v?.y ?? 0) * arrowSeconds);
  }
  const at = (s as unknown as Record<string, unknown>)[who];
  return isPoint(at) ? at : { x: 0, y: 0 };
}

/** The snapshot with somebody, or a handle, moved. */
export function withPlace(s: Snapshot, who: string, to: Point): Snapshot {
  if (who === 'gaze') return { ...s, facing: { ...s.facing, xCutter: to } };
  const mover = ofArrow(who);
  if (mover) {
    const at = placeOf(s, mover);
    const v = { x: (to.x - at.x) / arrowSeconds, y: (to.y - at.y) / arrowSeconds };
    return { ...s, velocity: { ...s.velocity, [mover]: v } };
  }
  return { ...s, [who]: to };
}

const mirroredAll = (of: Record<string, Point> | undefined) =>
  of && Object.fromEntries(Object.entries(of).map(([who, v]) => [who, mirror(v)]));

/** The same snapshot on the other side of the floor. */
export function mirrored(s: Snapshot): Snapshot {
  const out = Object.fromEntries(
    Object.entries(s).map(([who, at]) => [who, isPoint(at) ? mirror(at) : at])
  ) as Snapshot;
  if (s.velocity) out.velocity = mirroredAll(s.velocity);
  if (s.facing) out.facing = mirroredAll(s.facing);
  if (s.weakHand) out.weakHand = s.weakHand === 'left' ? 'right' : 'left';
  return out;
}

/** The part of the floor a picture shows: how high it goes, and
 * where it starts on the left: a picture of one side leaves the other out. */
export function framing(s: Snapshot, people: number, halfY: number): { top: number; left?: number } {
  const top = Math.min(halfY, Math.max(26, s.to.y + 3, s.cutter.y + 3));
  const oneSide = people <= 6 && s.from.x > 0 && s.passer.x > -11 && s.cutter.x > -10;
  return oneSide ? { top, left: -12 } : { top };
}

/** Which way the screener's stance lies: square to the back. */
export const stance = (s: Snapshot, at: Point) => facing(s.back ?? s.to, at);
