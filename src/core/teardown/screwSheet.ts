import { type Build, indexBuild, type ScrewType, screwWords } from "../build";
import type { Step } from "./step";

/** Paper, mm. */
export const PAPERS = {
  a4: { name: "A4", widthMm: 210, heightMm: 297 },
  letter: { name: "Letter", widthMm: 215.9, heightMm: 279.4 },
} as const;
export type Paper = keyof typeof PAPERS;

/** Length of the bar that proves the scale, mm. */
export const BAR_MM = 100;
const MARGIN = 10;
const HEADER = 26;
const GAP = 4;
const TITLE = 16;
/** Side of a cell's code and the white around it, mm. */
export const CODE_MM = 11;
const COLUMNS = 2;
/** Room a screw needs on paper before it would lie on its neighbour, mm. */
const APART = 7;

export interface SheetScrew {
  /** Place on the page, mm: the middle of its head. */
  xMm: number;
  yMm: number;
  number: number;
  where: string;
  type: ScrewType;
}
export interface SheetCell {
  xMm: number;
  yMm: number;
  widthMm: number;
  heightMm: number;
  title: string;
  notes: string[];
  count: number;
  view: "lid" | "base";
  /** The machine as it lies, on the page. */
  /** What a scanner reads off the cell: all screws of its step lie on it. */
  code: string;
  outline: { xMm: number; yMm: number; widthMm: number; heightMm: number };
  screws: SheetScrew[];
}
export interface ScrewSheet {
  paper: Paper;
  title: string;
  /** What the QR code says, read by any camera. */
  address: string;
  pages: SheetCell[][];
  /** Screws on the sheet in all. */
  count: number;
}

/** What stands in the small code of a cell. @example cellCode("base-screws") // "HV:SCREWS:BASE-SCREWS" */
export const cellCode = (group: string): string => `HV:SCREWS:${group.toUpperCase()}`;

/**
 * What a scan says of screws: the cell they were laid on, or how many.
 * @returns null for anything else
 * @example readScrewScan("HV:SCREWS:BASE-SCREWS") // { group: "base-screws" }
 */
export function readScrewScan(text: string): { group: string } | { count: number } | null {
  const cell = /^HV:SCREWS:([A-Z0-9][A-Z0-9-]{0,47})$/i.exec(text.trim());
  if (cell) return { group: cell[1]!.toLowerCase() };
  const n = /^[1-9]\d?$/.exec(text.trim());
  return n ? { count: Number(n[0]) } : null;
}

const shorten = (words: string, most: number): string =>
  words.length <= most ? words : `${words.slice(0, most - 1).trimEnd()}…`;

/** Two lines at most, broken between words; what is left over is cut with a mark. */
function broken(words: string, most: number): string[] {
  if (words.length <= most) return [words];
  const at = words.lastIndexOf(" ", most);
  const first = words.slice(0, at > 0 ? at : most);
  return [first, shorten(words.slice(first.length).trim(), most)];
}

/**
 * A sheet to lay screws on: one cell per step that takes screws, in the order of the plan, each laid out as the machine lies,
 * every screw drawn at true size. As many pages as it takes.
 * @param out the way out, in order
 * @param inPlace groups that go back into their own holes at once, beside those the build treats so
 * @param paper A4 or Letter; lengths in mm at true scale
 * @returns cells by page; empty pages when the plan takes no screw
 * @example screwSheet(build, plan.out, "a4", "H-2417", "http://127.0.0.1").pages.length // 1
 */
export function screwSheet(
  build: Build,
  out: readonly Step[],
  paper: Paper,
  title: string,
  address: string,
  inPlace: ReadonlySet<string> = new Set(),
): ScrewSheet {
  const b = indexBuild(build);
  const page = PAPERS[paper];
  const wide = (page.widthMm - 2 * MARGIN - (COLUMNS - 1) * GAP) / COLUMNS;
  const cells: SheetCell[] = [];
  for (const s of out) {
    if (s.kind !== "screwsOut" && s.kind !== "screwsLoosen") continue;
    const g = b.group.get(s.target)!;
    const size =
      g.view === "lid" ? { w: build.lid.widthMm, h: build.lid.heightMm } : { w: build.base.widthMm, h: build.base.depthMm };
    const k = (wide - 8) / size.w;
    const high = TITLE + size.h * k + 9;
    const loosened = s.kind === "screwsLoosen";
    const stay = g.keepInHoles || inPlace.has(g.id);
    const types = new Map<string, number>();
    for (const x of g.screws) types.set(x.type, (types.get(x.type) ?? 0) + 1);
    const kinds = [...types].map(([id, n]) => {
      const t = b.screwType.get(id)!;
      return `${n} of ${screwWords(t)}`;
    });
    cells.push({
      xMm: 0,
      yMm: 0,
      widthMm: wide,
      heightMm: high,
      title: shorten(g.name, (wide - 9 - CODE_MM) / 2),
      notes: broken(
        `${g.view === "lid" ? "Lid, from the front" : "Base, from below"}. ${
          loosened
            ? "Only loosened: they stay in. Tighten on the way back."
            : stay
              ? "Leave in place: back into their own holes at once."
              : kinds.join(", ")
        }`,
        (wide - 4 - CODE_MM) / 1.5,
      ),
      count: g.screws.length,
      view: g.view,
      code: cellCode(g.id),
      outline: { xMm: 4, yMm: TITLE + 4, widthMm: size.w * k, heightMm: size.h * k },
      screws:
        loosened || stay
          ? []
          : spread(
              g.screws.map((x, i) => ({
                xMm: 4 + x.xMm * k,
                yMm: TITLE + 4 + x.yMm * k,
                number: i + 1,
                where: x.where,
                type: b.screwType.get(x.type)!,
              })),
              wide,
            ),
    });
  }
  const pages: SheetCell[][] = [];
  let row: SheetCell[] = [];
  let y = MARGIN + HEADER;
  let now: SheetCell[] = [];
  const flush = () => {
    if (row.length === 0) return;
    const high = Math.max(...row.map((c) => c.heightMm));
    if (now.length && y + high > page.heightMm - MARGIN) {
      pages.push(now);
      now = [];
      y = MARGIN + HEADER;
    }
    row.forEach((c, i) => {
      now.push({ ...c, xMm: MARGIN + i * (wide + GAP), yMm: y, heightMm: high });
    });
    y += high + GAP;
    row = [];
  };
  for (const c of cells) {
    row.push(c);
    if (row.length === COLUMNS) flush();
  }
  flush();
  if (now.length) pages.push(now);
  return { paper, title, address, pages, count: cells.reduce((n, c) => n + c.screws.length, 0) };
}

/** Moves screws apart that would lie on each other on paper, the lower or righter one, never out of the cell. */
function spread(screws: SheetScrew[], wide: number): SheetScrew[] {
  const placed: SheetScrew[] = [];
  for (const s of screws) {
    let at = { ...s, xMm: Math.min(Math.max(s.xMm, 7), wide - 7) };
    for (let n = 0; n < 60 && placed.some((p) => Math.abs(p.xMm - at.xMm) < APART && Math.abs(p.yMm - at.yMm) < 12); n++)
      at = at.xMm + APART < wide - 6 ? { ...at, xMm: at.xMm + APART } : { ...at, xMm: 7, yMm: at.yMm + 12 };
    placed.push(at);
  }
  return placed;
}

/** Width of a tick of the bar, mm. */
const TICK = 0.25;

/**
 * The bar as filled rectangles, mm on the page: exactly 100 mm from its left edge to its right edge, ticks every 10 mm that
 * stay inside it.
 * @example barRects()[0].widthMm // 100
 */
export function barRects(): { xMm: number; yMm: number; widthMm: number; heightMm: number }[] {
  const x = MARGIN;
  const y = 27.4;
  const ticks = Array.from({ length: BAR_MM / 10 + 1 }, (_, i) => ({
    xMm: x + Math.min(Math.max(i * 10 - TICK / 2, 0), BAR_MM - TICK),
    yMm: y,
    widthMm: TICK,
    heightMm: i % 5 === 0 ? 4 : 2.8,
  }));
  return [{ xMm: x, yMm: y, widthMm: BAR_MM, heightMm: 1.2 }, ...ticks];
}

/**
 * The factor by which a printer has to be corrected, from the bar as measured with a ruler.
 * @param measuredMm what the ruler says of the 100 mm bar; 80 to 120, else null
 * @example printScale(100) // 1
 */
export const printScale = (measuredMm: number): number | null =>
  measuredMm >= 80 && measuredMm <= 120 ? BAR_MM / measuredMm : null;
