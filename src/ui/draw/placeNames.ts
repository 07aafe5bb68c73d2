/** A box on the drawing, px. */
export interface Box {
  x: number;
  y: number;
  w: number;
  h: number;
}

/** A thing whose name is to stand by it: its middle and half its size, px. */
export interface Named {
  id: string;
  words: string;
  x: number;
  y: number;
  halfW: number;
  halfH: number;
  bold?: boolean;
}

/** Where a name stands: the middle of its line, px; `from` = a line leads to its thing, which lies farther off. */
export interface Placed {
  x: number;
  y: number;
  from: { x: number; y: number } | null;
}

/** Of the drawing's 15 px letters: a line's height, and the mean width of a letter with some to spare (measured: 7.4, bold 8.0). */
const LINE = 18;
const LETTER = 7.9;
const BOLD = 8.5;
/** Between a thing and its name, px. */
const GAP = 4;

/** How much of two boxes lies over each other, px². */
export const overlap = (a: Box, b: Box): number =>
  Math.max(0, Math.min(a.x + a.w, b.x + b.w) - Math.max(a.x, b.x)) *
  Math.max(0, Math.min(a.y + a.h, b.y + b.h) - Math.max(a.y, b.y));

/** The box a name takes when the middle of its line is at x, y. */
export const nameBox = (n: Pick<Named, "words" | "bold">, x: number, y: number): Box => {
  const w = n.words.length * (n.bold ? BOLD : LETTER);
  return { x: x - w / 2, y: y - LINE / 2, w, h: LINE };
};

/** Places a name may stand, the best first: under its thing, over it, each also a little aside, beside it, then row by row farther off. */
function* spots(n: Named): Generator<{ x: number; y: number; far: boolean }> {
  const w = nameBox(n, 0, 0).w;
  const row = n.halfH + GAP + LINE / 2;
  const side = n.halfW + GAP + w / 2;
  const aside = [0, -w / 4, w / 4, n.halfW - w / 2, w / 2 - n.halfW];
  for (const dy of [row, -row]) for (const dx of aside.slice(0, 3)) yield { x: n.x + dx, y: n.y + dy, far: false };
  yield { x: n.x + side, y: n.y, far: false };
  yield { x: n.x - side, y: n.y, far: false };
  for (const dx of aside.slice(3)) for (const dy of [row, -row]) yield { x: n.x + dx, y: n.y + dy, far: false };
  for (let k = 1; k <= 5; k++)
    for (const dy of [-(row + k * LINE), row + k * LINE]) for (const dx of aside) yield { x: n.x + dx, y: n.y + dy, far: true };
}

/**
 * Names by their things so that none lies over another, over a thing, or over what stands there already, as far as there is room:
 * else where it covers least.
 * @param names things with their names
 * @param taken what stands there already
 * @param within the drawing: no name reaches over its edge while it can be helped
 */
export function placeNames(names: readonly Named[], taken: readonly Box[], within: Box): Map<string, Placed> {
  const things = names.map((n): Box => ({ x: n.x - n.halfW, y: n.y - n.halfH, w: 2 * n.halfW, h: 2 * n.halfH }));
  const boxes = [...taken, ...things];
  const out = new Map<string, Placed>();
  // What is to be done now keeps the best place.
  for (const n of [...names].sort((a, b) => Number(b.bold ?? false) - Number(a.bold ?? false) || a.x - b.x || a.y - b.y)) {
    let best: { x: number; y: number; far: boolean } | null = null;
    let least = Number.POSITIVE_INFINITY;
    for (const spot of spots(n)) {
      const box = nameBox(n, spot.x, spot.y);
      const outside = box.w * box.h - overlap(box, within);
      const cost = 4 * outside + boxes.reduce((sum, o) => sum + overlap(box, o), 0);
      if (cost < least - 1e-6) {
        least = cost;
        best = spot;
      }
      if (cost < 1e-6) break;
    }
    if (!best) continue;
    boxes.push(nameBox(n, best.x, best.y));
    out.set(n.id, { x: best.x, y: best.y, from: best.far ? { x: n.x, y: n.y } : null });
  }
  return out;
}
