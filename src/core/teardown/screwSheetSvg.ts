import { screwPaths } from "../build";
import { BAR_MM, barRects, CODE_MM, PAPERS, type ScrewSheet } from "./screwSheet";

const r2 = (v: number) => Math.round(v * 100) / 100;
const r3 = (v: number) => Math.round(v * 1000) / 1000;
const esc = (s: string) => s.replace(/[&<>"']/g, (c) => `&#${c.charCodeAt(0)};`);
/** Modules of a QR code, row by row; empty when there is none. */
export type QrModules = readonly (readonly boolean[])[];

/**
 * One page of a screw sheet as an SVG in millimetres: width and height carry the unit, one user unit is one millimetre.
 * @param page from 0
 * @param qr modules of the code that opens the job
 * @param codeOf modules of the code of a cell
 * @param scale correction for this printer, 1 for none
 * @example screwSheetSvg(sheet, 0, [], 1).startsWith("<svg") // true
 */
export function screwSheetSvg(
  sheet: ScrewSheet,
  page: number,
  qr: QrModules,
  scale = 1,
  codeOf: (text: string) => QrModules = () => [],
): string {
  const { widthMm: w, heightMm: h } = PAPERS[sheet.paper];
  const text = (x: number, y: number, size: number, words: string, bold = false, end = false) =>
    `<text x="${r2(x)}" y="${r2(y)}" font-size="${size}"${bold ? ' font-weight="700"' : ""}${end ? ' text-anchor="end"' : ""}>${esc(words)}</text>`;
  const out: string[] = [];
  out.push(text(10, 17, 5.2, `Screws of ${sheet.title}`, true));
  out.push(
    text(
      10,
      22.5,
      3.3,
      `${sheet.count} screws, page ${page + 1} of ${Math.max(1, sheet.pages.length)}. Print at 100 %, no fitting to the page.`,
    ),
  );
  const bar = barRects()
    .map((r) => `M${r2(r.xMm)} ${r.yMm}h${r.widthMm}v${r.heightMm}h${-r.widthMm}z`)
    .join("");
  out.push(`<path d="${bar}" fill="#000" data-bar=""/>`);
  out.push(text(12 + BAR_MM, 30.4, 3.2, `${BAR_MM} mm: hold a ruler to it`));
  const code = (modules: QrModules, left: number, top: number, size: number) => {
    const m = size / modules.length;
    let d = "";
    for (const [y, row] of modules.entries())
      for (const [x, on] of row.entries()) if (on) d += `M${r3(left + x * m)} ${r3(top + y * m)}h${r3(m)}v${r3(m)}h${r3(-m)}z`;
    if (d) out.push(`<path d="${d}" fill="#000"/>`);
  };
  code(qr, w - 30, 8, 20);
  for (const c of sheet.pages[page] ?? []) {
    out.push(`<g transform="translate(${r2(c.xMm)} ${r2(c.yMm)})">`);
    out.push(`<rect width="${r2(c.widthMm)}" height="${r2(c.heightMm)}" fill="none" stroke="#000" stroke-width=".4"/>`);
    out.push(
      text(2, 5.6, 4.2, `${c.count}`, true),
      text(9, 5.4, 3.8, c.title, true),
      ...c.notes.map((words, i) => text(2, 10.4 + i * 3.7, 3, words)),
    );
    code(codeOf(c.code), c.widthMm - CODE_MM + 0.5, 1.5, CODE_MM - 2);
    const o = c.outline;
    out.push(
      `<rect x="${r2(o.xMm)}" y="${r2(o.yMm)}" width="${r2(o.widthMm)}" height="${r2(o.heightMm)}" rx="2" fill="none" stroke="#000" stroke-width=".2" stroke-dasharray="1.4 1"/>`,
    );
    for (const s of c.screws) {
      const [head, shank] = screwPaths(s.type, 1);
      out.push(
        `<g transform="translate(${r2(s.xMm)} ${r2(s.yMm)})"><path d="${head}"/><path d="${shank}"/>${text(3.1, 1.2, 2.6, String(s.number))}</g>`,
      );
    }
    out.push("</g>");
  }
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${r2(w * scale)}mm" height="${r2(h * scale)}mm" viewBox="0 0 ${w} ${h}" font-family="'Atkinson Hyperlegible Next', sans-serif">${out.join("")}</svg>`;
}
