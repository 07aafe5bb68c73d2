import { flatCode } from "@/core/catalogue";
import { changesOf, fold, type JobState, panelReading } from "@/core/job";
import { connection } from "@/data/connection";
import { readLog } from "@/data/eventStore";
import { allJobs, outcomeWords } from "./find";
import { readReference } from "./reference";

export interface Visit {
  id: string;
  number: string;
  station: string;
  openedAtIso: string | null;
  closedAtIso: string | null;
  outcome: string | null;
  facts: { name: string; value: string }[];
  /** What the next opener has to know: finds, parts that stay out, what was stuck, notes. */
  notes: string[];
}
export interface MachineLife {
  serial: string;
  machine: string;
  customers: string[];
  build: string | null;
  /** Newest first. */
  visits: Visit[];
}

/** Jobs whose machine carries this serial, whatever its case, dashes and spaces. */
export async function jobsOfSerial(serial: string) {
  const flat = flatCode(serial);
  return flat.length < 3 ? [] : (await allJobs()).filter((j) => flatCode(j.serial) === flat);
}

function factsOf(s: JobState, changes: number): Visit["facts"] {
  const out: Visit["facts"] = [];
  const put = (name: string, value: string | null | undefined) => {
    if (value) out.push({ name, value });
  };
  put("What happened", s.job?.happened);
  put("In their words", s.job?.words);
  put("Old panel", panelReading(s)?.code);
  put("Panel fitted", s.close.handedOver || s.subject === "fixed" ? s.match.chosen?.code : null);
  put("Ordered at", s.match.order?.seller);
  put("Changes made", changes ? `${changes}` : null);
  const checks = Object.values({ ...s.prove.open, ...s.prove.closed });
  put(
    "Proof",
    checks.length
      ? `${checks.filter((c) => c.result === "pass").length} of ${checks.length} checks held, ${s.prove.faults.length} dots marked`
      : null,
  );
  return out;
}

function notesOf(s: JobState): string[] {
  return [
    ...s.finds.map((f) => `Found: ${f.words}`),
    ...s.stuck.map((x) => `Stuck at ${x.target}`),
    ...Object.entries(s.screws).flatMap(([id, st]) =>
      st === "missing" || st === "staysOut" ? [`Screw ${id} ${st === "missing" ? "is missing" : "stays out"}`] : [],
    ),
    ...s.notes.map((n) => n.text),
  ];
}

/** Everything the shop knows of one machine, job by job; null when it was never here. */
export async function machineLife(serial: string): Promise<MachineLife | null> {
  const jobs = await jobsOfSerial(serial);
  if (jobs.length === 0) return null;
  const ref = await readReference();
  const visits: Visit[] = [];
  for (const j of jobs) {
    const log = await readLog(connection().db, j.id);
    const state = fold(log.events, log.snapshots);
    const made = changesOf({ state, snapshots: log.snapshots }).filter((c) => c.made).length;
    visits.push({
      id: j.id,
      number: j.number,
      station: j.station,
      openedAtIso: j.openedAtIso,
      closedAtIso: j.closedAtIso,
      outcome: j.closed ? outcomeWords(j.closed) : null,
      facts: factsOf(state, made),
      notes: notesOf(state),
    });
  }
  return {
    serial: jobs[0]!.serial,
    machine: jobs[0]!.machine,
    customers: [...new Set(jobs.map((j) => j.customer))],
    build: ref.machines.find((m) => m.model === jobs[0]!.machine)?.build ?? null,
    visits,
  };
}
