import { join } from "node:path";
import { openSync } from "fontkit";
import PDFDocument from "pdfkit";
import { fold, type HandoverSheet, handoverSheet } from "@/core/job";
import { progressOf } from "@/core/teardown";
import { connection } from "@/data/connection";
import { readLog } from "@/data/eventStore";

export async function readSheet(jobId: string): Promise<HandoverSheet | null> {
  const log = await readLog(connection().db, jobId);
  if (log.events.length === 0) return null;
  const view = { state: fold(log.events, log.snapshots), snapshots: log.snapshots };
  return handoverSheet(view, progressOf(view)?.plan.minutes.p50 ?? null);
}

const dir = () => join(process.cwd(), "node_modules/@fontsource");
/** Fonts in order of preference; each covers what the ones before it lack, so that names beyond Latin-1 print. */
const FACES = [
  "atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin",
  "atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-ext",
  "noto-sans/files/noto-sans-cyrillic",
  "noto-sans/files/noto-sans-cyrillic-ext",
  "noto-sans/files/noto-sans-greek",
  "noto-sans/files/noto-sans-greek-ext",
  "noto-sans/files/noto-sans-vietnamese",
  "noto-sans/files/noto-sans-devanagari",
];

type Face = { name: string; path: string; has: (cp: number) => boolean };
const loaded = new Map<string, Face[]>();

function faces(weight: 400 | 700): Face[] {
  const key = String(weight);
  let list = loaded.get(key);
  if (!list) {
    list = FACES.map((f, i) => {
      const path = join(dir(), `${f}-${weight}-normal.woff`);
      const font = openSync(path) as unknown as { hasGlyphForCodePoint(cp: number): boolean };
      return { name: `f${weight}-${i}`, path, has: (cp: number) => font.hasGlyphForCodePoint(cp) };
    });
    loaded.set(key, list);
  }
  return list;
}

/** Text in runs, each with the first face that has its letters. */
function runs(text: string, weight: 400 | 700): { face: string; text: string }[] {
  const list = faces(weight);
  const out: { face: string; text: string }[] = [];
  for (const ch of text) {
    const face = (list.find((f) => f.has(ch.codePointAt(0)!)) ?? list[0]!).name;
    const last = out.at(-1);
    if (last && (last.face === face || ch === " ")) last.text += ch;
    else out.push({ face, text: ch });
  }
  return out;
}

/** The hand-over as one A4 page, fonts embedded. */
export function sheetPdf(sheet: HandoverSheet, dated: Date): Promise<Buffer> {
  const doc = new PDFDocument({
    size: "A4",
    margin: 42,
    info: { Title: `Hand-over ${sheet.number}`, Author: "Helvane", CreationDate: dated },
    font: faces(400)[0]!.path,
  });
  for (const w of [400, 700] as const) for (const f of faces(w)) doc.registerFont(f.name, f.path);
  const parts: Buffer[] = [];
  doc.on("data", (b: Buffer) => parts.push(b));
  const done = new Promise<Buffer>((resolve) => doc.on("end", () => resolve(Buffer.concat(parts))));
  const width = doc.page.width - 84;
  const write = (text: string, x: number, y: number, size: number, weight: 400 | 700, w: number): number => {
    doc.fontSize(size);
    const all = runs(text || " ", weight);
    all.forEach((r, i) => {
      doc.font(r.face);
      const more = { continued: i < all.length - 1, width: w, lineGap: 1 };
      if (i === 0) doc.text(r.text, x, y, more);
      else doc.text(r.text, more);
    });
    return doc.y;
  };
  let y = write(`Hand-over ${sheet.number}`, 42, 40, 22, 700, width);
  y =
    write(
      `${sheet.machine} for ${sheet.customer}${sheet.handedTo ? `, handed to ${sheet.handedTo}` : ""}. ${dated.toISOString().slice(0, 10)}`,
      42,
      y + 2,
      11,
      400,
      width,
    ) + 6;
  // Two columns of sections keep everything on one page.
  const half = (width - 24) / 2;
  const ys = [y, y];
  for (const s of sheet.sections) {
    const c = ys[0]! <= ys[1]! ? 0 : 1;
    const x = 42 + c * (half + 24);
    doc
      .moveTo(x, ys[c]!)
      .lineTo(x + half, ys[c]!)
      .lineWidth(1)
      .stroke();
    let at = write(s.title, x, ys[c]! + 4, 12, 700, half) + 2;
    for (const r of s.rows) {
      const a = write(r.name, x, at, 9.5, 400, half * 0.5);
      const b = write(r.value, x + half * 0.52, at, 9.5, 700, half * 0.48);
      at = Math.max(a, b) + 2;
    }
    ys[c] = at + 8;
  }
  let at = Math.max(ys[0]!, ys[1]!) + 4;
  doc
    .moveTo(42, at)
    .lineTo(42 + width, at)
    .lineWidth(1.5)
    .stroke();
  at = write("Please mind", 42, at + 5, 12, 700, width) + 2;
  for (const c of sheet.cautions) at = write(`- ${c}`, 42, at, 10, 400, width) + 1;
  write("Recorded with Helvane. The maker's service information and local codes come first.", 42, at + 8, 9, 400, width);
  doc.end();
  return done;
}
