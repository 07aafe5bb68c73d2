import { type ChangedDrawing, fold, type HandoverSheet, handoverSheet, pauseCard } from "@/core/job";
import { progressOf, stationNow } from "@/core/teardown";
import { connection } from "@/data/connection";
import { readLog } from "@/data/eventStore";
import { MARGIN, openSheet } from "./pdf";
import { readWeights } from "./weights";

export async function readSheet(jobId: string): Promise<HandoverSheet | null> {
  const log = await readLog(connection().db, jobId);
  if (log.events.length === 0) return null;
  const view = { state: fold(log.events, log.snapshots), snapshots: log.snapshots };
  return handoverSheet(view, progressOf(view, await readWeights())?.plan.minutes.p50 ?? null);
}

/** How small its letters may become before it takes a second page, of their full size. */
const SIZES = [1, 0.94, 0.88, 0.82, 0.76];

/** The hand-over as one A4 page: what would not fit is set a little smaller, never cut. */
export async function sheetPdf(sheet: HandoverSheet, dated: Date): Promise<Buffer> {
  for (const size of SIZES) {
    const { pdf, pages } = laidOut(sheet, dated, size);
    if (pages() === 1 || size === SIZES.at(-1)) return await pdf;
    await pdf;
  }
  throw new Error("no size is left");
}

function laidOut(sheet: HandoverSheet, dated: Date, k: number): { pdf: Promise<Buffer>; pages: () => number } {
  const { doc, width, write, rule, done } = openSheet(`Hand-over ${sheet.number}`, dated);
  let pages = 1;
  doc.on("pageAdded", () => {
    pages += 1;
  });
  let y = write(`Hand-over ${sheet.number}`, MARGIN, 40, 22 * k, 700, width);
  const to = sheet.handedTo ? `, handed to ${sheet.handedTo}` : "";
  y =
    write(`${sheet.machine} for ${sheet.customer}${to}. ${dated.toISOString().slice(0, 10)}`, MARGIN, y + 2, 11 * k, 400, width) +
    6 * k;
  if (sheet.drawing) y = drawn(doc, sheet.drawing, y, width, k, write);
  // Two columns of sections keep everything on one page.
  const half = (width - 24) / 2;
  const ys = [y, y];
  for (const s of sheet.sections) {
    const c = ys[0]! <= ys[1]! ? 0 : 1;
    const x = MARGIN + c * (half + 24);
    rule(x, ys[c]!, half, 1);
    let at = write(s.title, x, ys[c]! + 4 * k, 12 * k, 700, half) + 2 * k;
    for (const r of s.rows) {
      const a = write(r.name, x, at, 9.5 * k, 400, half * 0.5);
      const b = write(r.value, x + half * 0.52, at, 9.5 * k, 700, half * 0.48);
      at = Math.max(a, b) + 2 * k;
    }
    ys[c] = at + 8 * k;
  }
  let at = Math.max(ys[0]!, ys[1]!) + 4 * k;
  rule(MARGIN, at, width, 1.5);
  at = write("Please mind", MARGIN, at + 5 * k, 12 * k, 700, width) + 2 * k;
  for (const c of sheet.cautions) at = write(`- ${c}`, MARGIN, at, 10 * k, 400, width) + k;
  write(
    "Recorded with Helvane. The maker's service information and local codes come first.",
    MARGIN,
    at + 8 * k,
    9 * k,
    400,
    width,
  );
  return { pdf: done(), pages: () => pages };
}

/** The machine with what was changed, both sides beside each other, over the width of the page; returns where it ended, points. */
function drawn(
  doc: PDFKit.PDFDocument,
  d: ChangedDrawing,
  top: number,
  width: number,
  k: number,
  write: ReturnType<typeof openSheet>["write"],
): number {
  const wide = d.sides.reduce((n, x) => n + x.widthMm, 0) + 14 * (d.sides.length - 1);
  const high = Math.max(...d.sides.map((x) => x.heightMm));
  const s = Math.min(width / wide, (118 * k) / high);
  let x0 = MARGIN;
  for (const side of d.sides) {
    for (const q of side.shapes) {
      const [x, y, w, h] = [x0 + q.x * s, top + q.y * s, q.w * s, q.h * s];
      doc.lineWidth(0.6).strokeColor("#000");
      if (q.what === "screw") doc.circle(x, y, 1.6).stroke();
      else if (q.what === "screwNew") doc.circle(x, y, 1.6).fillAndStroke("#0b5563", "#000");
      else if (q.what === "dot")
        doc
          .moveTo(x - 3, y)
          .lineTo(x + 3, y)
          .moveTo(x, y - 3)
          .lineTo(x, y + 3)
          .stroke();
      else if (q.what === "new") doc.rect(x, y, w, h).lineWidth(1.4).fillAndStroke("#e3eef0", "#0b5563");
      else if (q.what === "tape") doc.rect(x, y, w, h).fill("#0b5563");
      else if (q.what === "hinge") doc.rect(x, y, w, h).fillAndStroke("#888", "#000");
      else if (q.what === "glass") doc.rect(x, y, w, h).fillAndStroke("#fff", "#000");
      else doc.rect(x, y, w, h).stroke();
      if (q.n !== undefined) write(String(q.n), q.what === "part" ? x - 6 : x + w + 1, y + h / 2 - 4, 6.5, 700, 20);
    }
    x0 += (side.widthMm + 14) * s;
  }
  doc.fillColor("#000").strokeColor("#000");
  const words = [...d.legend.map((l) => l.words), ...d.named].join(". ");
  return write(`${words}.`, MARGIN, top + high * s + 4, 8 * k, 400, width) + 6 * k;
}

/** What lies with a machine left open, with where the work goes on; null when there is no such job. */
export async function readPauseCard(jobId: string) {
  const log = await readLog(connection().db, jobId);
  if (log.events.length === 0) return null;
  const view = { state: fold(log.events, log.snapshots), snapshots: log.snapshots };
  const job = view.state.job;
  if (!job) return null;
  const progress = progressOf(view, await readWeights());
  return {
    number: job.number,
    machine: job.machineModel,
    customer: job.customer,
    station: stationNow(view.state, progress),
    restart: progress?.now?.title ?? null,
    ...pauseCard(view),
  };
}
