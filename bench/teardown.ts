import { isMainThread, parentPort, Worker, workerData } from "node:worker_threads";
import { everyPlan } from "@tests/everyPlan";
import { judgePlan } from "@tests/planChecker";
import { randomBuild } from "@tests/randomBuild";
import { applyFinds, type KeptFind } from "@/core/build";
import { makePlan, screwSheet, screwSheetSvg, wayOut } from "@/core/teardown";
import { QUICK_BUDGET } from "@/core/teardown/wayOut";
import { say as print, quantile } from "./stats";

const ms = (run: () => unknown): number => {
  const at = performance.now();
  run();
  return performance.now() - at;
};

/** Runs all of it in a worker of its own, as a page does, and ends with it. */
export const benchTeardownInWorker = (): Promise<void> =>
  new Promise((done, fail) => {
    const w = new Worker(new URL("./teardownWorker.mjs", import.meta.url), { workerData: "teardown" });
    w.on("message", (figure: Parameters<typeof print>) => print(...figure));
    w.once("error", fail);
    w.once("exit", (code) => (code ? fail(new Error(`the planner's bench ended with ${code}`)) : done()));
  });

/** The planner against exhaustive search and against the rules; speed at 60 parts; the screw sheet. */
function benchTeardown(say: typeof print): void {
  let wrong = 0;
  for (let seed = 1; seed <= 2000; seed++) {
    const build = randomBuild(seed, 3 + (seed % 7));
    const r = wayOut(build);
    if (!r.ok || !r.objective.proven || Math.abs(r.objective.value - everyPlan(build)) > 1e-6) wrong += 1;
  }
  say("plans of up to 9 parts against exhaustive search, 2,000", `${wrong} differ`, "0", wrong === 0);
  let broken = 0;
  for (let seed = 1; seed <= 10_000; seed++) {
    const build = randomBuild(seed, 3 + (seed % 14));
    const r = makePlan(build);
    if (!r.ok || judgePlan(build, r.plan.out, r.plan.in).length) broken += 1;
  }
  say("plans and ways back judged by the rules alone, 10,000", `${broken} break one`, "0", broken === 0);
  const large = Array.from({ length: 24 }, (_, i) => randomBuild(9000 + i, 60));
  const times = large.map((b) => ms(() => makePlan(b)));
  const gaps = large.map((b) => {
    const r = wayOut(b);
    return r.ok ? 1 - r.objective.bound / r.objective.value : 1;
  });
  const proven = gaps.filter((g) => g < 1e-9).length;
  say(
    "plan of a 60-part build with its way back, in a worker, p50 / p95",
    `${quantile(times, 0.5).toFixed(0)} / ${quantile(times, 0.95).toFixed(0)} ms`,
    "p50 under 300 ms",
    quantile(times, 0.5) < 300,
  );
  say(
    "of these proven; gap of the rest at most",
    `${proven} of ${large.length}; ${(Math.max(...gaps) * 100).toFixed(1)} %, median ${(quantile(gaps, 0.5) * 100).toFixed(1)} %`,
  );
  const again = large.map((b, i) => {
    const find: KeptFind = {
      kind: "hiddenScrew",
      holds: b.parts[3]!.id,
      view: "base",
      xMm: 50,
      yMm: 50,
      words: "found",
      screwType: null,
      connector: "friction",
      eventId: `01900000-0000-7000-8000-${String(i).padStart(12, "0")}`,
    };
    return ms(() => makePlan(applyFinds(b, [find]), [], QUICK_BUDGET));
  });
  say(
    "plan anew after a find, 60 parts, way back too, in a worker, p50 / p95",
    `${quantile(again, 0.5).toFixed(0)} / ${quantile(again, 0.95).toFixed(0)} ms`,
    "p50 under 100 ms",
    quantile(again, 0.5) < 100,
  );
  const sheets = large.map((b) => {
    const r = makePlan(b);
    if (!r.ok) throw new Error(r.problem);
    return ms(() => screwSheetSvg(screwSheet(b, r.plan.out, "a4", "H-1", "http://x"), 0, []));
  });
  say(
    "screw sheet of a 60-part build as SVG, p95",
    `${quantile(sheets, 0.95).toFixed(1)} ms`,
    "under 50 ms",
    quantile(sheets, 0.95) < 50,
  );
}

if (!isMainThread && workerData === "teardown") benchTeardown((...figure) => parentPort!.postMessage(figure));
