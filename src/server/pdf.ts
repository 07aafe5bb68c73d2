import { join } from "node:path";
import { openSync } from "fontkit";
import PDFDocument from "pdfkit";

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

/** Makes the shipped fonts known to a document. */
export function registerFaces(doc: PDFKit.PDFDocument): void {
  for (const w of [400, 700] as const) for (const f of faces(w)) doc.registerFont(f.name, f.path);
}

/** Writes one text in runs of the faces it needs, sizes in the document's own unit. */
export function writeRuns(
  doc: PDFKit.PDFDocument,
  text: string,
  x: number,
  y: number,
  size: number,
  weight: 400 | 700,
  width: number,
): void {
  doc.fontSize(size).fillColor("#000");
  const all = runs(text || " ", weight);
  all.forEach((r, i) => {
    doc.font(r.face);
    const more = { continued: i < all.length - 1, width, lineBreak: false };
    if (i === 0) doc.text(r.text, x, y, more);
    else doc.text(r.text, more);
  });
}

export interface Sheet {
  doc: PDFKit.PDFDocument;
  /** Width between the margins, points. */
  width: number;
  /** Writes text at a place; returns where it ended, points from the top. */
  write(text: string, x: number, y: number, size: number, weight: 400 | 700, width: number): number;
  /** A line across. */
  rule(x: number, y: number, width: number, weight: number): void;
  done(): Promise<Buffer>;
}

export const MARGIN = 42;

/** One A4 page with the shipped fonts embedded. */
export function openSheet(title: string, dated: Date): Sheet {
  const doc = new PDFDocument({
    size: "A4",
    margin: MARGIN,
    info: { Title: title, Author: "Helvane", CreationDate: dated },
    font: faces(400)[0]!.path,
  });
  registerFaces(doc);
  const parts: Buffer[] = [];
  doc.on("data", (b: Buffer) => parts.push(b));
  const ended = new Promise<Buffer>((resolve) => doc.on("end", () => resolve(Buffer.concat(parts))));
  return {
    doc,
    width: doc.page.width - 2 * MARGIN,
    write(text, x, y, size, weight, w) {
      doc.fontSize(size);
      const all = runs(text || " ", weight);
      all.forEach((r, i) => {
        doc.font(r.face);
        const more = { continued: i < all.length - 1, width: w, lineGap: 1 };
        if (i === 0) doc.text(r.text, x, y, more);
        else doc.text(r.text, more);
      });
      return doc.y;
    },
    rule(x, y, w, weight) {
      doc
        .moveTo(x, y)
        .lineTo(x + w, y)
        .lineWidth(weight)
        .stroke();
    },
    done() {
      doc.end();
      return ended;
    },
  };
}

const PT = 72 / 25.4;
/** Writes one text at a place of a page in mm; size in mm. */
export type TextAt = (words: string, x: number, y: number, mm: number, weight?: 400 | 700) => void;

/**
 * Pages at true scale as PDF: one unit is one millimetre, and viewers are told not to fit them to the paper.
 * @param scale correction for this printer, 1 for none
 */
export function trueScalePdf(
  o: { widthMm: number; heightMm: number; title: string; dated: Date; scale: number; pages: number },
  draw: (doc: PDFKit.PDFDocument, page: number, text: TextAt) => void,
): Promise<Buffer> {
  const size: [number, number] = [o.widthMm * PT, o.heightMm * PT];
  const doc = new PDFDocument({
    size,
    margin: 0,
    autoFirstPage: false,
    info: { Title: o.title, Author: "Helvane", CreationDate: o.dated },
  });
  registerFaces(doc);
  const root = (doc as unknown as { _root: { data: Record<string, unknown> } })._root;
  root.data.ViewerPreferences = doc.ref({ PrintScaling: "None" });
  const parts: Buffer[] = [];
  doc.on("data", (b: Buffer) => parts.push(b));
  const ended = new Promise<Buffer>((resolve) => doc.on("end", () => resolve(Buffer.concat(parts))));
  const text: TextAt = (words, x, y, mm, weight = 400) => writeRuns(doc, words, x, y - mm * 0.78, mm, weight, 180);
  for (let i = 0; i < o.pages; i++) {
    doc.addPage({ size, margin: 0 });
    doc.scale(PT * o.scale);
    draw(doc, i, text);
  }
  doc.end();
  return ended;
}
