/** Where the top-left corner of a panel's outline may be, in the lid's mm: a box, and the disc within which its plug is reached. */
export interface Box {
  x0: number;
  x1: number;
  y0: number;
  y1: number;
}
export interface Disc {
  x: number;
  y: number;
  r: number;
}
export interface Point {
  xMm: number;
  yMm: number;
}

export const EVERYWHERE: Box = { x0: -1e6, x1: 1e6, y0: -1e6, y1: 1e6 };
const EPS = 1e-9;

/** What two boxes share; empty when its ends are crossed. @example meet({ x0: 0, x1: 2, y0: 0, y1: 2 }, { x0: 1, x1: 3, y0: 0, y1: 1 }) // { x0: 1, x1: 2, y0: 0, y1: 1 } */
export const meet = (a: Box, b: Box): Box => ({
  x0: Math.max(a.x0, b.x0),
  x1: Math.min(a.x1, b.x1),
  y0: Math.max(a.y0, b.y0),
  y1: Math.min(a.y1, b.y1),
});
/** No point lies in it. @example isEmpty({ x0: 1, x1: 0, y0: 0, y1: 1 }) // true */
export const isEmpty = (b: Box): boolean => b.x0 > b.x1 + EPS || b.y0 > b.y1 + EPS;
const clamp = (v: number, lo: number, hi: number) => (lo > hi ? (lo + hi) / 2 : Math.min(hi, Math.max(lo, v)));
/** The point of a box nearest to another; the middle where a side is crossed. @example nearestIn({ x0: 0, x1: 2, y0: 0, y1: 2 }, { xMm: 5, yMm: 1 }) // { xMm: 2, yMm: 1 } */
export const nearestIn = (b: Box, p: Point): Point => ({ xMm: clamp(p.xMm, b.x0, b.x1), yMm: clamp(p.yMm, b.y0, b.y1) });
const inside = (b: Box, p: Point) => p.xMm >= b.x0 - EPS && p.xMm <= b.x1 + EPS && p.yMm >= b.y0 - EPS && p.yMm <= b.y1 + EPS;
const far = (p: Point, q: Point) => Math.hypot(p.xMm - q.xMm, p.yMm - q.yMm);

/**
 * The point nearest to a wish that lies in a box and in a disc. Exact: the box's own nearest, else a point of the circle or of
 * the box's sides within it.
 * @returns null when they share no point
 * @example nearestPlace({ x0: 0, x1: 10, y0: 0, y1: 0 }, { x: 0, y: 0, r: 4 }, { xMm: 9, yMm: 0 }) // { xMm: 4, yMm: 0 }
 */
export function nearestPlace(box: Box, disc: Disc | null, wish: Point): Point | null {
  if (isEmpty(box)) return null;
  const plain = nearestIn(box, wish);
  if (!disc) return plain;
  const centre = { xMm: disc.x, yMm: disc.y };
  if (far(plain, centre) <= disc.r + EPS) return plain;
  if (far(nearestIn(box, centre), centre) > disc.r + EPS) return null;
  const found: Point[] = [];
  const d = far(wish, centre);
  if (d > 0) {
    const k = disc.r / d;
    found.push({ xMm: disc.x + (wish.xMm - disc.x) * k, yMm: disc.y + (wish.yMm - disc.y) * k });
  }
  // Every side of the box, cut by the disc, and the wish dropped on it.
  for (const x of [box.x0, box.x1]) {
    const h2 = disc.r ** 2 - (x - disc.x) ** 2;
    if (h2 < -EPS) continue;
    const h = Math.sqrt(Math.max(0, h2));
    const lo = Math.max(box.y0, disc.y - h);
    const hi = Math.min(box.y1, disc.y + h);
    if (lo <= hi + EPS) found.push({ xMm: x, yMm: clamp(wish.yMm, lo, hi) });
  }
  for (const y of [box.y0, box.y1]) {
    const h2 = disc.r ** 2 - (y - disc.y) ** 2;
    if (h2 < -EPS) continue;
    const h = Math.sqrt(Math.max(0, h2));
    const lo = Math.max(box.x0, disc.x - h);
    const hi = Math.min(box.x1, disc.x + h);
    if (lo <= hi + EPS) found.push({ xMm: clamp(wish.xMm, lo, hi), yMm: y });
  }
  const good = found.filter((p) => inside(box, p) && far(p, centre) <= disc.r + 1e-6);
  const first = good[0];
  return first ? good.reduce((m, p) => (far(p, wish) < far(m, wish) - EPS ? p : m), first) : nearestIn(box, centre);
}
