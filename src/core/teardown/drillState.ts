import { type Build, indexBuild } from "../build";
import { emptyState, type JobState, type JobView } from "../job";
import type { Step } from "./step";

/** What a step done leaves behind it on the machine, where that can be seen. */
const DOES: Partial<Record<Step["kind"], (s: JobState, target: string, build: Build) => void>> = {
  shutDown: (s) => Object.assign(s.bench, { shutDown: true, running: false }),
  mainsOut: (s) => Object.assign(s.bench, { mains: "out" }),
  batteryOff: (s) => Object.assign(s.bench, { batteryOff: true }),
  drain: (s) => Object.assign(s.bench, { drained: true }),
  cableOff: (s, t) => {
    s.connectors[t] = "off";
  },
  tapeOut: (s, t) => {
    s.tapesOut[t] = true;
  },
  partFold: (s, t) => {
    s.parts[t] = "folded";
  },
  partOut: (s, t, build) => {
    s.parts[t] = "out";
    if (build.subject.part === t) s.subject = "out";
  },
  screwsOut: (s, t, build) => {
    for (const x of build.screwGroups.find((g) => g.id === t)?.screws ?? []) s.screws[x.id] = "out";
  },
  screwsLoosen: (s, t, build) => {
    for (const x of build.screwGroups.find((g) => g.id === t)?.screws ?? []) s.screws[x.id] = "loosened";
  },
};

/**
 * The machine as a drill has it after these steps: what is out, off, folded and loose. No log, no gates: nothing of it is recorded.
 * @param done the steps done, in their order
 * @example drillView(build, []).state.subject // "in"
 */
export function drillView(build: Build, done: readonly Step[]): JobView {
  const state = emptyState();
  const b = indexBuild(build);
  state.plan = { buildHash: "drill", goal: "" };
  for (const s of done) {
    // A pack that is a part of its own, taken out, feeds nothing any more.
    if (s.kind === "partOut" && b.part.get(s.target)?.role === "battery") state.bench.batteryOff = true;
    DOES[s.kind]?.(state, s.target, build);
  }
  return { state, snapshots: { drill: { kind: "build", data: build } } };
}
