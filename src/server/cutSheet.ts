import { buildOf, fold } from "@/core/job";
import { cutList } from "@/core/tape";
import { BAR_MM, barRects, type CutSheet, cutSheet, OUTLINE_MM, type Paper } from "@/core/teardown";
import { connection } from "@/data/connection";
import { readLog } from "@/data/eventStore";
import { trueScalePdf } from "./pdf";

/** The cut list of a job's plan as a sheet at true size; null when there is no such job, no plan, or nothing to cut. */
export async function readCutSheet(jobId: string, paper: Paper): Promise<CutSheet | null> {
  const log = await readLog(connection().db, jobId);
  const state = fold(log.events, log.snapshots);
  const build = buildOf({ state, snapshots: log.snapshots })?.build;
  const pieces = build && !build.subject.bringsTape ? cutList(build).map((p, i) => ({ ...p, number: i + 1 })) : [];
  if (!state.job || pieces.length === 0) return null;
  const chosen = [...new Set(pieces.map((p) => p.widthMm))].map((w) => {
    const plies = state.tape[String(w)]?.pliesMm ?? [pieces.find((p) => p.widthMm === w)!.thicknessMm];
    return `${w} mm wide, ${plies.join(" on ")} mm thick`;
  });
  return cutSheet(pieces, paper, `${state.job.number}, ${state.job.machineModel}. Tape ${chosen.join("; ")}`);
}

/** The sheet as PDF at true scale. */
export function cutSheetPdf(sheet: CutSheet, dated: Date, scale = 1): Promise<Buffer> {
  const title = `Tape of ${sheet.title}`;
  return trueScalePdf({ ...sheet, title, dated, scale, pages: sheet.pages.length }, (doc, i, text) => {
    text(title, 10, 17, 5.2, 700);
    text(`Page ${i + 1} of ${sheet.pages.length}. Print at 100 %, no fitting to the page.`, 10, 22.5, 3.3);
    for (const r of barRects()) doc.rect(r.xMm, r.yMm, r.widthMm, r.heightMm);
    doc.fill("#000");
    text(`${BAR_MM} mm: hold a ruler to it`, 12 + BAR_MM, 30.4, 3.2);
    for (const s of sheet.pages[i]!) {
      doc
        .lineWidth(OUTLINE_MM)
        .rect(s.xMm + OUTLINE_MM / 2, s.yMm + OUTLINE_MM / 2, s.lengthMm - OUTLINE_MM, s.widthMm - OUTLINE_MM)
        .stroke("#000");
      if (s.tailMm > 0) doc.rect(s.xMm + s.lengthMm - s.tailMm, s.yMm, s.tailMm, s.widthMm).fill("#bbb");
      text(s.goesOn ? `${s.words}. Goes on below` : s.words, s.xMm, s.yMm + s.widthMm + 4.4, 3.2);
    }
  });
}
