import { type CoverKind, followFromLog } from "@/core/heat";
import { buildOf, fold, msOf } from "@/core/job";
import { connection } from "@/data/connection";
import { readLog } from "@/data/eventStore";
import { simulatedThermometer } from "@/standins/thermometer";
import { nowMs } from "./now";

export type ThermometerAnswer = { ok: true; surfaceC: number } | { ok: false; status: number; problem: string };

/** Reads the stand-in's contact thermometer at a place of the lid of this job, as its log has the warming until now. */
export async function readThermometer(
  jobId: string,
  o: { tape: string; cover: CoverKind; xMm: number; yMm: number },
): Promise<ThermometerAnswer> {
  const log = await readLog(connection().db, jobId);
  if (log.events.length === 0) return { ok: false, status: 404, problem: "There is no such job." };
  const state = fold(log.events, log.snapshots);
  const build = buildOf({ state, snapshots: log.snapshots })?.build;
  const tape = build?.tapes.find((t) => t.id === o.tape);
  if (!build || !tape) return { ok: false, status: 400, problem: `The build has no tape "${o.tape}".` };
  const story = followFromLog(
    build,
    state.heat.told.map((t) => ({ ...t, onMs: msOf(t.clock), offMs: t.offClock ? msOf(t.offClock) : null })),
    [],
    {
      tape: o.tape,
      softC: tape.heat?.releaseC[0] ?? 55,
      cover: o.cover,
      ...(build.lid.cover?.mm ? { coverMm: build.lid.cover.mm } : {}),
    },
  );
  if (!story)
    return {
      ok: false,
      status: 409,
      problem: "Nothing heated here yet: the thermometer shows the room. Switch the tool on first.",
    };
  return {
    ok: true,
    surfaceC: simulatedThermometer(jobId, story.ask, (nowMs() - story.beganMs) / 1000, { xMm: o.xMm, yMm: o.yMm }),
  };
}
