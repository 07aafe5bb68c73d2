import qrcode from "qrcode-generator";
import { screwPaths } from "@/core/build";
import { buildOf, changesOf, fold } from "@/core/job";
import {
  BAR_MM,
  barRects,
  CODE_MM,
  makePlan,
  PAPERS,
  type Paper,
  type QrModules,
  type ScrewSheet,
  screwSheet,
} from "@/core/teardown";
import { connection } from "@/data/connection";
import { readLog } from "@/data/eventStore";
import { trueScalePdf } from "./pdf";
import { readReference } from "./reference";
import { readWeights } from "./weights";

/** The screw sheet of a job's plan, or of its machine's build before there is one; null when there is neither. */
export async function readScrewSheet(
  jobId: string,
  paper: Paper,
  origin: string,
  inPlace: ReadonlySet<string> = new Set(),
): Promise<ScrewSheet | null> {
  const log = await readLog(connection().db, jobId);
  const view = { state: fold(log.events, log.snapshots), snapshots: log.snapshots };
  const job = view.state.job;
  if (!job) return null;
  let build = buildOf(view)?.build;
  if (!build) {
    const ref = await readReference();
    const machine = ref.machines.find((m) => m.model === job.machineModel);
    build = ref.builds.find((x) => x.id === machine?.build)?.data;
  }
  if (!build) return null;
  const made = makePlan(build, changesOf(view), undefined, await readWeights());
  return made.ok
    ? screwSheet(build, made.plan.out, paper, `${job.number}, ${job.machineModel}`, `${origin}/jobs/${jobId}/open`, inPlace)
    : null;
}

/** A QR code's modules. */
export function qrModules(text: string): QrModules {
  const q = qrcode(0, "M");
  q.addData(text);
  q.make();
  const n = q.getModuleCount();
  return Array.from({ length: n }, (_, y) => Array.from({ length: n }, (_, x) => q.isDark(y, x)));
}

/**
 * The sheet as PDF at true scale: one user unit of the page is one point, and viewers are told not to fit it to the paper.
 * @param scale correction for this printer, 1 for none
 */
export function screwSheetPdf(sheet: ScrewSheet, dated: Date, scale = 1): Promise<Buffer> {
  const paper = PAPERS[sheet.paper];
  const pages = sheet.pages.length ? sheet.pages : [[]];
  const title = `Screws of ${sheet.title}`;
  return trueScalePdf({ ...paper, title, dated, scale, pages: pages.length }, (doc, i, text) => {
    const code = (words: string, left: number, top: number, side: number) => {
      const qr = qrModules(words);
      const m = side / qr.length;
      for (const [y, row] of qr.entries()) for (const [x, on] of row.entries()) if (on) doc.rect(left + x * m, top + y * m, m, m);
      doc.fill("#000");
    };
    text(title, 10, 17, 5.2, 700);
    text(`${sheet.count} screws, page ${i + 1} of ${pages.length}. Print at 100 %, no fitting to the page.`, 10, 22.5, 3.3);
    for (const r of barRects()) doc.rect(r.xMm, r.yMm, r.widthMm, r.heightMm);
    doc.fill("#000");
    text(`${BAR_MM} mm: hold a ruler to it`, 12 + BAR_MM, 30.4, 3.2);
    code(sheet.address, paper.widthMm - 30, 8, 20);
    for (const c of pages[i]!) {
      doc.lineWidth(0.4).rect(c.xMm, c.yMm, c.widthMm, c.heightMm).stroke();
      text(String(c.count), c.xMm + 2, c.yMm + 5.6, 4.2, 700);
      text(c.title, c.xMm + 9, c.yMm + 5.4, 3.8, 700);
      for (const [i, words] of c.notes.entries()) text(words, c.xMm + 2, c.yMm + 10.4 + i * 3.7, 3);
      code(c.code, c.xMm + c.widthMm - CODE_MM + 0.5, c.yMm + 1.5, CODE_MM - 2);
      const o = c.outline;
      doc
        .lineWidth(0.2)
        .dash(1.4, { space: 1 })
        .roundedRect(c.xMm + o.xMm, c.yMm + o.yMm, o.widthMm, o.heightMm, 2)
        .stroke()
        .undash();
      for (const s of c.screws) {
        doc.save().translate(c.xMm + s.xMm, c.yMm + s.yMm);
        for (const d of screwPaths(s.type, 1)) doc.path(d).fill("#000");
        doc.restore();
        text(String(s.number), c.xMm + s.xMm + 3.1, c.yMm + s.yMm + 1.2, 2.6);
      }
    }
  });
}
