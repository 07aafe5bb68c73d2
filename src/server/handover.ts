import { fold, type HandoverSheet, handoverSheet, pauseCard } from "@/core/job";
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

/** The hand-over as one A4 page. */
export function sheetPdf(sheet: HandoverSheet, dated: Date): Promise<Buffer> {
  const { width, write, rule, done } = openSheet(`Hand-over ${sheet.number}`, dated);
  let y = write(`Hand-over ${sheet.number}`, MARGIN, 40, 22, 700, width);
  const to = sheet.handedTo ? `, handed to ${sheet.handedTo}` : "";
  y =
    write(`${sheet.machine} for ${sheet.customer}${to}. ${dated.toISOString().slice(0, 10)}`, MARGIN, y + 2, 11, 400, width) + 6;
  // Two columns of sections keep everything on one page.
  const half = (width - 24) / 2;
  const ys = [y, y];
  for (const s of sheet.sections) {
    const c = ys[0]! <= ys[1]! ? 0 : 1;
    const x = MARGIN + c * (half + 24);
    rule(x, ys[c]!, half, 1);
    let at = write(s.title, x, ys[c]! + 4, 12, 700, half) + 2;
    for (const r of s.rows) {
      const a = write(r.name, x, at, 9.5, 400, half * 0.5);
      const b = write(r.value, x + half * 0.52, at, 9.5, 700, half * 0.48);
      at = Math.max(a, b) + 2;
    }
    ys[c] = at + 8;
  }
  let at = Math.max(ys[0]!, ys[1]!) + 4;
  rule(MARGIN, at, width, 1.5);
  at = write("Please mind", MARGIN, at + 5, 12, 700, width) + 2;
  for (const c of sheet.cautions) at = write(`- ${c}`, MARGIN, at, 10, 400, width) + 1;
  write("Recorded with Helvane. The maker's service information and local codes come first.", MARGIN, at + 8, 9, 400, width);
  return done();
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
