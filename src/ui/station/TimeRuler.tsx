"use client";
import { msOf } from "@/core/job";
import { planTimes } from "@/core/teardown";
import { useBench } from "../job/context";

const HANDS = /^(open|swap|bond|prove|close|bench)\./;

/** Time spent at this station against what the plan expects: solid is spent, hatched is the range from P50 to P80. */
export function TimeRuler() {
  const { log, progress, nowMs, reference } = useBench();
  if (!progress) return null;
  const want = planTimes(
    progress.steps.map((x) => x.step.minutes),
    reference.shopLog.ratios,
  );
  const first = log.events.find((e) => HANDS.test(e.type));
  const spent = first ? Math.max(0, (nowMs - msOf(first.clock)) / 60_000) : 0;
  const end = Math.ceil((Math.max(want.p80, Math.min(spent, want.p80 * 2)) + 2) / 10) * 10;
  const x = (m: number) => 2 + (Math.min(m, end) / end) * 496;
  const clock = `${Math.floor(spent)}:${String(Math.floor((spent % 1) * 60)).padStart(2, "0")}`;
  return (
    <div>
      <p className="text-[18px] leading-[24px]">
        <b className="mono text-[22px]">{spent > 600 ? "over 10 h" : clock}</b> so far. Expected {Math.round(want.p50)} to{" "}
        {Math.round(want.p80)} min ({want.jobs ? `${want.jobs} timed jobs here` : "default, 0 timed jobs"}).
      </p>
      <svg
        viewBox="0 0 504 46"
        width="100%"
        height="46"
        className="dw"
        role="img"
        aria-label={`${Math.round(spent)} minutes spent, ${Math.round(want.p50)} to ${Math.round(want.p80)} expected`}
      >
        <rect
          x={x(want.p50)}
          y={6}
          width={x(want.p80) - x(want.p50)}
          height={20}
          className="pen1 sink"
          style={{ fill: "url(#hMetal)" }}
        />
        <rect x={2} y={6} width={Math.max(0, x(spent) - 2)} height={20} className="pf" />
        <path
          d={`M2 26H498${Array.from({ length: end / 5 + 1 }, (_, i) => `M${x(i * 5)} 26v${i % 2 === 0 ? 8 : 5}`).join("")}`}
          className="pen1 sink"
        />
        {Array.from({ length: Math.floor(end / 20) + 1 }, (_, i) => (
          <text
            key={i}
            x={x(i * 20)}
            y={45}
            className="t14 mono i3"
            textAnchor={i === 0 ? "start" : i * 20 === end ? "end" : "middle"}
          >
            {i ? i * 20 : "0 min"}
          </text>
        ))}
      </svg>
    </div>
  );
}
