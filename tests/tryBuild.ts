import { type Build, indexBuild, parseBuild, withLamp } from "@/core/build";
import { eventGate } from "@/core/job";
import { makePlan, nextAct } from "@/core/teardown";
import { stepDone } from "@/core/teardown/steps";
import { contentHash } from "@/data/referenceStore";
import { builds, fitPanelTo, handAct, hashes, jobOn, snapshots, type TestBench } from "./bench";

/** A machine nobody ships: a demo build changed by hand, known to the tests' jobs by its id. */
export function tryBuild(id: string, from: string, change: (b: Build) => void): Build {
  const draft = structuredClone(builds[from]!) as Build;
  draft.id = id;
  change(draft);
  return registerBuild(draft);
}

/** Makes a build known to the tests' jobs; throws what is wrong with it. */
export function registerBuild(draft: Build): Build {
  const read = parseBuild(JSON.stringify(draft));
  if (!read.ok) throw new Error(`${draft.id}: ${read.problems.map((p) => `${p.where}: ${p.message}`).join("; ")}`);
  builds[draft.id] = read.build;
  hashes.build[draft.id] = contentHash(read.build);
  snapshots[hashes.build[draft.id]!] = { kind: "build", data: read.build };
  fitPanelTo(read.build);
  return read.build;
}

/** A whole job on it, every act asked of its gate, as the plan says; throws where the plan comes to an end. */
export function wholeJobOn(id: string, panel = `fits-${id}`): TestBench {
  const b = jobOn(id, panel);
  b.follow(() => false);
  b.do("job.closed", { outcome: "handedOver", reason: "" });
  return b;
}

/**
 * Carries a plan out as it stands, step by step, every act asked of its gate: what a pair of hands does that reads the list.
 * @param lamp how a lamp-lit machine is tried
 * @returns the bench with its log, and what stopped it; null when it came to hand-over
 */
export function carryOut(own: Build, lamp: "afterBezel" | "open" = "afterBezel"): { b: TestBench; stopped: string | null } {
  const b = jobOn(own.id);
  const build = withLamp(own, false, lamp);
  if (lamp === "open") b.do("plan.lampTestChosen", { test: "open", by: "Sela" });
  const r = makePlan(build);
  if (!r.ok) return { b, stopped: `no plan: ${r.problem}` };
  for (const step of [...r.plan.out, ...r.plan.in])
    for (let i = 0; i < 90; i++) {
      const view = b.view;
      if (stepDone({ ...view, s: view.state, b: indexBuild(build) }, step)) break;
      if (i === 89) return { b, stopped: `${step.id}: never done` };
      const act =
        step.kind === "look" || step.kind === "looseTest" || step.kind === "angle" || step.kind === "handOver"
          ? handAct(view, step)
          : nextAct(view, step);
      if (!act) return { b, stopped: `${step.id}: nothing to do, and not done` };
      const e = b.make(act);
      const shut = eventGate(view, e);
      if (shut) return { b, stopped: `${step.id}: ${act.type} refused: ${shut.reason}` };
      b.events.push(e);
    }
  return { b, stopped: b.state.close.handedOver ? null : "not handed over at the end" };
}
