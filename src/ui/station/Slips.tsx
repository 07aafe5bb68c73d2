"use client";
import { counting } from "@/core/job";
import { slipped, stepTimes } from "@/core/teardown";
import { useBench } from "../job/context";

/** Length of the longest bar, px. */
const BAR = 190;

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
  const most = Math.max(...rows.map((r) => Math.max(r.planned, r.actual)));
  const x = (m: number) => (m / most) * (BAR - 3);
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
      <ul className="rows" aria-label="Minutes per step, planned (outline) and done (solid)">
        {rows.map((r) => (
          <li key={r.id} style={{ fontSize: 15, alignItems: "center" }}>
            <span className={slips.includes(r) ? "font-bold" : "text-ink-2"} style={{ width: 190 }}>
              {r.title}
            </span>
            <svg width={BAR} height={18} className="dw" aria-hidden="true">
              <rect x={1} y={4} width={Math.max(1, x(r.actual))} height={10} className={slips.includes(r) ? "dmgf" : "pf"} />
              <rect x={1} y={1} width={Math.max(1, x(r.planned))} height={16} className="pen2 sink" />
            </svg>
            <em className="mono">{r.actual.toFixed(1)} min</em>
          </li>
        ))}
      </ul>
    </section>
  );
}
