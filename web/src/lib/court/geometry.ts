import type { Point } from '$lib/api/client';

/** The court's y points up, the screen's down. */
export const sy = (p: Point) => -p.y;

export const add = (p: Point, x: number, y: number): Point => ({ x: p.x + x, y: p.y + y });
export const mirror = (p: Point): Point => ({ x: -p.x, y: p.y });
export const distance = (p: Point, q: Point) => Math.hypot(p.x - q.x, p.y - q.y);

/** Degrees to turn a wedge that points to +x so that it faces from p to q. */
export const facing = (p: Point, q: Point) => (Math.atan2(-(q.y - p.y), q.x - p.x) * 180) / Math.PI;

/** The place in a track at a time: straight lines at even speed between keys. */
export function along(keys: { t: number; at: Point }[], t: number): Point {
  const first = keys[0];
  if (!first) return { x: 0, y: 0 };
  let before = first;
  for (const key of keys) {
    if (key.t >= t) {
      const span = key.t - before.t;
      const k = span > 0 ? (t - before.t) / span : 1;
      return { x: before.at.x + (key.at.x - before.at.x) * k, y: before.at.y + (key.at.y - before.at.y) * k };
    }
    before = key;
  }
  return before.at;
}

/** The court point under a pointer. */
export function pointAt(svg: SVGSVGElement, clientX: number, clientY: number): Point | null {
  const m = svg.getScreenCTM();
  if (!m) return null;
  const p = new DOMPoint(clientX, clientY).matrixTransform(m.inverse());
  return { x: p.x, y: -p.y };
}
