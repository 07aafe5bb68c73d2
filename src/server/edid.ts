import { fold } from "@/core/job";
import { connection } from "@/data/connection";
import { readLog } from "@/data/eventStore";
import { panelsById } from "@/data/panelStore";
import { seedOf } from "@/standins/board";
import { type EdidFailure, simulatedEdidPort } from "@/standins/edidPort";
import { readReference } from "./reference";

export type PortAnswer = { ok: true; hex: string } | { ok: false; status: number; problem: string };

/** Reads the EDID port of a job's machine: the stand-in, its fitted panel chosen by the job among those seen in the model. HELVANE_EDID_FAIL sets it for trials. */
export async function readEdidPort(jobId: string): Promise<PortAnswer> {
  const log = await readLog(connection().db, jobId);
  const state = fold(log.events, log.snapshots);
  if (!state.job) return { ok: false, status: 404, problem: "There is no such job." };
  const ref = await readReference();
  const seen = ref.machines.find((m) => m.model === state.job!.machineModel)?.panels ?? [];
  const at = seedOf(jobId) % Math.max(1, seen.length);
  const fitted = (await panelsById(connection().db, seen.slice(at, at + 1)))[0]?.data ?? null;
  const read = await simulatedEdidPort(fitted, (process.env.HELVANE_EDID_FAIL ?? "none") as EdidFailure).read();
  return read.ok ? { ok: true, hex: Buffer.from(read.bytes).toString("hex") } : { ok: false, status: 503, problem: read.problem };
}
