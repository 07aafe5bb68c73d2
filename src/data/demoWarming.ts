import type { Build } from "@/core/build";
import { type Act, type JobEvent, makeClock, makeEventId, newestVersion, type Snapshots } from "@/core/job";
import { NOTHING_KNOWN, posterior } from "@/core/triage";
import { walkPlan } from "./demoWalk";
import { contentHash } from "./referenceStore";

const MIN = 60_000;

/** A sister of the Pivot whose shell is plastic: what shop machines are, one mould in two materials. */
export const plasticSister = (pivot: Build): Build => ({
  ...pivot,
  id: "isbrand-ravel-14",
  machineModel: "Isbrand Ravel 14",
  machineCodes: ["IR14-2C"],
  lid: { ...pivot.lid, cover: { kind: "pcabs", mm: 1.6 } },
});

interface Case {
  number: string;
  customer: string;
  words: string;
  build: Build;
  serial: string;
  /** What it stands aside for. */
  waits: string;
  /** The strip the hands stand before. */
  at: string;
}

/**
 * Three machines whose glue has to be warmed, each standing before its first strip: a metal lid for the mat, a plastic one for the
 * dryer, and a bonded cell whose films stay and whose glue lets go only where they are harmed.
 * @returns the jobs, and what they rely on beside what ships
 */
export function demoWarming(snapshots: Snapshots, nowMs: number): { logs: JobEvent[][]; snapshots: Snapshots; build: Build } {
  const shipped = (id: string): Build => {
    const s = Object.values(snapshots).find((x) => x.kind === "build" && x.data.id === id);
    if (s?.kind !== "build") throw new Error(`the demo has no build ${id}`);
    return s.data;
  };
  const pivot = shipped("isbrand-pivot-14-touch");
  const ravel = plasticSister(pivot);
  const own: Snapshots = { ...snapshots, [contentHash(ravel)]: { kind: "build", data: ravel } };
  const cases: Case[] = [
    {
      number: "H-2429",
      customer: "Lighthouse trust",
      words: "Glass cracked at the left edge, touch is dead there.",
      build: pivot,
      serial: "IP14-0331",
      waits: "the mat is warm on the other bench",
      at: "tapeOut:tape-left",
    },
    {
      number: "H-2430",
      customer: "Wren Lane school",
      words: "Glass cracked from the upper corner.",
      build: ravel,
      serial: "IR14-1187",
      waits: "the dryer comes back at noon",
      at: "tapeOut:tape-left",
    },
    {
      number: "H-2431",
      customer: "Choir, back office",
      words: "Lines down the right side since it was shut on a pen.",
      build: shipped("pellow-lune-15"),
      serial: "PL15-0442",
      waits: "asked whether a new cell is worth it",
      at: "tapeOut:rim-left",
    },
  ];
  return { build: ravel, snapshots: own, logs: cases.map((c, i) => jobOf(c, i, own, nowMs)) };
}

function jobOf(c: Case, i: number, snapshots: Snapshots, nowMs: number): JobEvent[] {
  const from = nowMs - (150 - 20 * i) * MIN;
  let n = 0;
  const id = (ms: number) => makeEventId(ms, new Uint8Array([7, i, n >> 8, n & 255, 1, 2, 3, 4, 5, 6]));
  const jobId = id(from);
  const event = (act: Act, turn?: number): JobEvent => {
    n += 1;
    // Desk work first, then an act in a little under a minute.
    const at = Math.min(nowMs - MIN, from + (turn === undefined ? n : 12 + turn * 0.9) * MIN);
    return {
      ...act,
      id: id(at),
      jobId,
      v: newestVersion(act.type),
      who: "Bench 1",
      device: "demo-scenario",
      clock: makeClock(at, n),
      seen: 0,
    } as JobEvent;
  };
  const [table, triage] = Object.entries(snapshots).find(([, s]) => s.kind === "triage")!;
  if (triage.kind !== "triage") throw new Error("the demo has no triage table");
  const said = posterior(triage.data, NOTHING_KNOWN, { cracks: "yes" }).ranking.find((r) => r.fault === "panelCell");
  const checks = Object.entries(snapshots).find(([, s]) => s.kind === "checks")![0];
  const head = [
    event({
      type: "job.opened",
      payload: {
        number: c.number,
        customer: c.customer,
        words: c.words,
        machineModel: c.build.machineModel,
        serial: c.serial,
        promiseAt: null,
        happened: "",
      },
    }),
    event({ type: "triage.signSeen", payload: { finding: "cracks", outcome: "yes", tableHash: table } }),
    event({
      type: "triage.concluded",
      payload: { verdict: "panel", fault: "panelCell", probability: said?.p ?? 0, tableHash: table },
    }),
    event({ type: "plan.made", payload: { buildHash: contentHash(c.build), goal: "subjectOut", checksHash: checks } }),
    event({ type: "plan.aimed", payload: { aim: "label", why: "no list knows which part is in it" } }),
  ];
  const opened = walkPlan(head, snapshots, c.at, (act, turn) => event(act, turn));
  // One bench warms one lid at a time: the others, and this one too until somebody takes it up, stand aside.
  return [...head, ...opened, event({ type: "job.putOff", payload: { until: null, why: c.waits } }, opened.length)];
}
