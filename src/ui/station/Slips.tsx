"use client";
import dynamic from "next/dynamic";
import { counting } from "@/core/job";
import { slipped, stepTimes } from "@/core/teardown";
import { useBench } from "../job/context";

/** The chart is fetched when a job is closed: no other screen carries it. */
const SlipsChart = dynamic(() => import("./SlipsChart"), { ssr: false });

/** Planned against done, step by step: outline is the plan, solid what it took; what slipped stands first. */
export function Slips() {
  const { log, view, progress } = useBench();
  if (!progress) return null;
  const all = stepTimes(
    counting(log.events),
    view,
    progress.steps.map((x) => x.step),
  );
  if (all.length < 3) return null;
  // Under five minutes no panel was changed: it was recorded afterwards.
  if (all.reduce((n, s) => n + s.actual, 0) < 5)
    return <p className="q">Recorded afterwards: its times mean nothing, and do not count.</p>;
  const slips = slipped(all);
  const rest = [...all].filter((s) => !slips.includes(s)).sort((a, b2) => b2.actual - a.actual);
  const rows = [...slips, ...rest].slice(0, 9);
  const says = `Minutes per step, planned (outline) and done (solid): ${rows.map((r) => `${r.title}, ${r.planned.toFixed(1)} and ${r.actual.toFixed(1)}`).join("; ")}`;
  const sum = (k: "planned" | "actual") => all.reduce((n, s) => n + s[k], 0);
  return (
    <section aria-label="Planned against done">
      <h2 className="sec">Planned against done</h2>
      <p className="q">
        {all.length} steps timed: planned {sum("planned").toFixed(0)} min, took {sum("actual").toFixed(0)} min.{" "}
        {slips.length
          ? `Slipped: ${slips
              .slice(0, 3)
              .map((s) => s.title.toLowerCase())
              .join("; ")}.`
          : "None slipped beyond its spread."}
      </p>
      <SlipsChart rows={rows.map((r) => ({ ...r, slipped: slips.includes(r) }))} says={says} />
    </section>
  );
}
