import { type ChangedDrawing, changedDrawing } from "./changedDrawing";
import { candidateOf, checksOf, type JobView, oldPanelOf, policyOf, screwsOpen } from "./derived";
import { type HandoverSheet, handoverSheet } from "./handover";
import type { CheckAnswer, JobState } from "./state";

type Answered = { check: string; name: string; result: CheckAnswer["result"] | "notTested"; note: string };

/** What was proven and left, for machines to read: in a job's zip beside its log, from which it can be made anew at any time. */
export interface JobReport {
  format: "helvane.report";
  version: 1;
  job: string;
  machine: { model: string; serial: string };
  panel: { old: string | null; new: string | null };
  proof: {
    open: Answered[];
    closed: Answered[];
    /** The policy dots are held against, and who took more than it allows. */
    policy: string | null;
    accepted: JobState["prove"]["accepted"];
    dots: { class: string; xMm: number; yMm: number }[];
    /** Checks left for later, with why. */
    deferred: Answered[];
  };
  /** Lid against base as last read, mm; spring scale before and after, N at its arm. */
  hinges: JobState["after"]["hinges"];
  torque: JobState["after"]["torque"];
  /** Makers' procedures by the hash they were kept by: every step with its clocks. */
  procedures: JobState["after"]["procedures"];
  pairing: "made" | "notNeeded" | { left: { by: string; why: string } };
  /** Causes gone after, and whether that was it. */
  tried: JobState["after"]["tried"];
  mended: { part: string; what: string; how: string }[];
  screws: { stillOut: string[]; onlyLoosened: string[]; notes: Record<string, string> };
  drawing: ChangedDrawing | null;
  cautions: HandoverSheet["cautions"];
}

/**
 * The job's report: what the sheet says, in figures and words a program reads.
 * @returns null before the job was opened
 * @example jobReport(view)?.format // "helvane.report"
 */
export function jobReport(v: JobView): JobReport | null {
  const s = v.state;
  const sheet = handoverSheet(v, null);
  if (!s.job || !sheet) return null;
  const pass = (name: "open" | "closed"): Answered[] =>
    checksOf(v)
      .filter((c) => c.pass === name)
      .map((c) => ({
        check: c.id,
        name: c.name,
        result: s.prove[name][c.id]?.result ?? "notTested",
        note: s.prove[name][c.id]?.note ?? "",
      }));
  const [open, closed] = [pass("open"), pass("closed")];
  const pairing = s.changesMade.pairing;
  const { out, loose } = screwsOpen(s);
  return {
    format: "helvane.report",
    version: 1,
    job: s.job.number,
    machine: { model: s.job.machineModel, serial: s.job.serial },
    panel: { old: oldPanelOf(v)?.code ?? null, new: candidateOf(v)?.code ?? null },
    proof: {
      open,
      closed,
      policy: policyOf(v)?.name ?? null,
      accepted: s.prove.accepted,
      dots: s.prove.faults.map(({ class: kind, xMm, yMm }) => ({ class: kind, xMm, yMm })),
      deferred: [...open, ...closed].filter((c) => c.result === "deferred"),
    },
    hinges: s.after.hinges,
    torque: s.after.torque,
    procedures: s.after.procedures,
    pairing: pairing === undefined ? "notNeeded" : pairing === true ? "made" : { left: pairing },
    tried: s.after.tried,
    mended: s.mends.map(({ part, what, how }) => ({ part, what, how })),
    screws: { stillOut: out, onlyLoosened: loose, notes: s.screwNotes },
    drawing: changedDrawing(v),
    cautions: sheet.cautions,
  };
}
