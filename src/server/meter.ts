import { fold, powerOf } from "@/core/job";
import { type MeterPort, type MeterSpot, type MeterValue, meterRefusal } from "@/core/triage";
import { connection } from "@/data/connection";
import { readLog } from "@/data/eventStore";
import { type MeterFailure, seedOf, simulatedMeter } from "@/standins/board";
import { readReference } from "./reference";

/** The meter of a job: the stand-in, its board chosen by seed. HELVANE_METER_SEED and HELVANE_METER_FAIL set it for trials. */
export function meterOf(jobId: string): MeterPort {
  const seed = process.env.HELVANE_METER_SEED;
  return simulatedMeter(seed ? Number(seed) : seedOf(jobId), (process.env.HELVANE_METER_FAIL ?? "none") as MeterFailure);
}

export type MeterAnswer =
  | { ok: true; value: MeterValue; unit: MeterSpot["unit"] }
  | { ok: false; status: number; problem: string };

/** Reads the meter at a spot of the table, in the power state the job's log says it is in. */
export async function readMeter(jobId: string, point: string, mode: string): Promise<MeterAnswer> {
  const log = await readLog(connection().db, jobId);
  if (log.events.length === 0) return { ok: false, status: 404, problem: "There is no such job." };
  const table = (await readReference()).triage?.data;
  const spot = table?.meter.find((m) => m.point === point && m.mode === mode);
  if (!spot) return { ok: false, status: 400, problem: `The table has no spot "${point}" for ${mode}.` };
  const power = powerOf({ state: fold(log.events, log.snapshots), snapshots: log.snapshots }).state;
  const refused = meterRefusal(spot.mode, power);
  if (refused) return { ok: false, status: 409, problem: refused };
  const read = await meterOf(jobId).read(spot, power);
  return read.ok ? { ok: true, value: read.value, unit: spot.unit } : { ok: false, status: 503, problem: read.problem };
}
