import { type Box, isEmpty, meet } from "./geometry";

export interface TabOf {
  edge: "left" | "right" | "top" | "bottom";
  atMm: number;
  widthMm: number;
  outMm: number;
}
/** The middle of a tab, where its screw goes, from the outline's top-left corner. */
export interface Hole {
  edge: TabOf["edge"];
  xMm: number;
  yMm: number;
}

/**
 * Where the holes of tabs lie, from the outline's top-left corner, mm.
 * @example holesOf([{ edge: "right", atMm: 20, widthMm: 10, outMm: 4 }], { widthMm: 300, heightMm: 180 }) // [{ edge: "right", xMm: 302, yMm: 25 }]
 */
export const holesOf = (tabs: readonly TabOf[], outline: { widthMm: number; heightMm: number }): Hole[] =>
  tabs.map((t) => {
    const along = t.atMm + t.widthMm / 2;
    const out = t.outMm / 2;
    if (t.edge === "left") return { edge: t.edge, xMm: -out, yMm: along };
    if (t.edge === "right") return { edge: t.edge, xMm: outline.widthMm + out, yMm: along };
    if (t.edge === "top") return { edge: t.edge, xMm: along, yMm: -out };
    return { edge: t.edge, xMm: along, yMm: outline.heightMm + out };
  });

export interface ScrewPlace {
  /** Where the outline's corner may be. */
  box: Box;
  /** Tabs that meet a boss there, by their place in the list. */
  met: number[];
}

/** More pairs than this meet at one place on no panel; beyond it only all of them together are tried. */
const MOST_TOGETHER = 8;

/** Every choice of at least one. */
function subsets<T>(list: readonly T[]): T[][] {
  if (list.length > MOST_TOGETHER) return [[...list]];
  return Array.from({ length: 2 ** list.length - 1 }, (_, i) => list.filter((_, k) => ((i + 1) >> k) & 1));
}

/**
 * Every way in which tabs meet bosses of the same edge, most tabs first.
 * @param holes of the candidate, from its outline's corner @param bosses in the lid's mm @param nearMm how far a hole may be off
 * @example screwPlaces([{ edge: "left", xMm: -2, yMm: 25 }], [{ edge: "left", xMm: 2, yMm: 32 }], 1)[0].met // [0]
 */
export function screwPlaces(holes: readonly Hole[], bosses: readonly Hole[], nearMm: number): ScrewPlace[] {
  if (nearMm < 0) return [];
  const pairs = holes.flatMap((h, i) =>
    bosses
      .filter((b) => b.edge === h.edge)
      .map((b) => ({
        i,
        box: {
          x0: b.xMm - h.xMm - nearMm,
          x1: b.xMm - h.xMm + nearMm,
          y0: b.yMm - h.yMm - nearMm,
          y1: b.yMm - h.yMm + nearMm,
        },
      })),
  );
  const xs = [...new Set(pairs.map((p) => p.box.x0))];
  const ys = [...new Set(pairs.map((p) => p.box.y0))];
  const found = new Map<string, ScrewPlace>();
  for (const x of xs)
    for (const y of ys) {
      const here = pairs.filter(({ box: b }) => x >= b.x0 - 1e-9 && x <= b.x1 + 1e-9 && y >= b.y0 - 1e-9 && y <= b.y1 + 1e-9);
      if (here.length === 0) continue;
      // Fewer of them may leave a place where all of them do not: the others then have to lie clear.
      for (const some of subsets(here)) {
        const key = some.map((p) => `${p.i},${p.box.x0},${p.box.y0}`).join(";");
        if (found.has(key)) continue;
        const box = some.map((p) => p.box).reduce(meet);
        if (!isEmpty(box)) found.set(key, { box, met: [...new Set(some.map((p) => p.i))].sort((a, b) => a - b) });
      }
    }
  return [...found.values()].sort((a, b) => b.met.length - a.met.length);
}
