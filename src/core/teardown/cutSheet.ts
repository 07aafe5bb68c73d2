import type { CutPiece } from "../tape";
import { BAR_MM, barRects, PAPERS, type Paper } from "./screwSheet";

/** A stretch of a strip as it lies on paper, at true size: mm on the page, the page lying on its long side. */
export interface SheetStrip {
  xMm: number;
  yMm: number;
  widthMm: number;
  lengthMm: number;
  /** Where on the strip it begins, mm; more than 0 where the strip goes on from a page's edge. */
  fromMm: number;
  /** The strip goes on: lay the next stretch's mark on this one's. */
  goesOn: boolean;
  /** Part of the stretch that is the tail, mm from its end. */
  tailMm: number;
  words: string;
}
export interface CutSheet {
  paper: Paper;
  title: string;
  /** The page lies on its long side. */
  widthMm: number;
  heightMm: number;
  pages: SheetStrip[][];
}

const MARGIN = 10;
const HEADER = 36;
/** Room below a strip for its words, mm. */
const WORDS = 9;

/**
 * Strips at true size on paper, to lay the tape along and cut: one under the other, the tail at the end it has in the lid. A strip
 * longer than the paper goes on in the next row, mark on mark.
 * @param pieces the cut list; mm
 * @param title what stands on every page
 * @example cutSheet([], "a4", "H-2417").pages // [[]]
 */
export function cutSheet(pieces: readonly (CutPiece & { number: number })[], paper: Paper, title: string): CutSheet {
  // Long side across.
  const { widthMm: high, heightMm: wide } = PAPERS[paper];
  const room = wide - 2 * MARGIN;
  const pages: SheetStrip[][] = [[]];
  let y = HEADER;
  for (const p of pieces) {
    const whole = p.lengthMm + p.tailMm;
    for (let from = 0; from < whole - 1e-9; from += room) {
      const lengthMm = Math.min(room, whole - from);
      if (y + p.widthMm + WORDS > high - MARGIN) {
        pages.push([]);
        y = HEADER;
      }
      const end = from + lengthMm;
      pages.at(-1)!.push({
        xMm: MARGIN,
        yMm: y,
        widthMm: p.widthMm,
        lengthMm,
        fromMm: from,
        goesOn: end < whole - 1e-9,
        tailMm: Math.max(0, Math.min(end - p.lengthMm, lengthMm)),
        words: `T${p.number}: ${p.edge} edge, ${p.widthMm} × ${p.lengthMm} mm${p.tailMm ? `, tail ${p.tailMm} mm at this end` : ""}${from > 0 ? `, from ${from} mm on` : ""}`,
      });
      y += p.widthMm + WORDS;
    }
  }
  return { paper, title, widthMm: wide, heightMm: high, pages };
}

const esc = (s: string) => s.replace(/[&<>"']/g, (c) => `&#${c.charCodeAt(0)};`);
const r3 = (v: number) => Math.round(v * 1000) / 1000;
/** How wide a strip's outline is, mm: it lies within the strip, so that what is cut along its outer edge is the strip. */
export const OUTLINE_MM = 0.15;
/** An outline of exactly this size, as a path filled even-odd: a stroke would add its own width to what is measured. */
const frame = (x: number, y: number, w: number, h: number): string => {
  const t = Math.min(OUTLINE_MM, w / 3, h / 3);
  const box = (a: number, b: number, c: number, d: number) => `M${r3(a)} ${r3(b)}h${r3(c)}v${r3(d)}h${r3(-c)}z`;
  return box(x, y, w, h) + box(x + t, y + t, w - 2 * t, h - 2 * t);
};

/**
 * One page of a cut sheet as an SVG in millimetres: width and height carry the unit, one user unit is one millimetre.
 * @param page from 0
 * @param scale correction for this printer, 1 for none
 * @example cutSheetSvg(cutSheet([], "a4", "H-2417"), 0).startsWith("<svg") // true
 */
export function cutSheetSvg(sheet: CutSheet, page: number, scale = 1): string {
  const text = (x: number, y: number, size: number, words: string, bold = false) =>
    `<text x="${r3(x)}" y="${r3(y)}" font-size="${size}"${bold ? ' font-weight="700"' : ""}>${esc(words)}</text>`;
  const bar = barRects()
    .map((r) => `M${r3(r.xMm)} ${r.yMm}h${r.widthMm}v${r.heightMm}h${-r.widthMm}z`)
    .join("");
  const strips = (sheet.pages[page] ?? []).map(
    (s) =>
      `<path data-strip="" d="${frame(s.xMm, s.yMm, s.lengthMm, s.widthMm)}" fill="#000" fill-rule="evenodd"/>${
        s.tailMm > 0
          ? `<rect data-tail="" x="${r3(s.xMm + s.lengthMm - s.tailMm)}" y="${r3(s.yMm)}" width="${r3(s.tailMm)}" height="${r3(s.widthMm)}" fill="#bbb"/>`
          : ""
      }${text(s.xMm, s.yMm + s.widthMm + 4.4, 3.2, s.goesOn ? `${s.words}. Goes on below` : s.words)}`,
  );
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${r3(sheet.widthMm * scale)}mm" height="${r3(sheet.heightMm * scale)}mm" viewBox="0 0 ${sheet.widthMm} ${sheet.heightMm}" font-family="sans-serif">${text(10, 17, 5.2, `Tape of ${sheet.title}`, true)}${text(10, 22.5, 3.3, `Page ${page + 1} of ${sheet.pages.length}. Print at 100 %, no fitting to the page.`)}<path d="${bar}" fill="#000" data-bar=""/>${text(12 + BAR_MM, 30.4, 3.2, `${BAR_MM} mm: hold a ruler to it`)}${strips.join("")}</svg>`;
}
