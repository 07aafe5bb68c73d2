"use client";
import { POINT_WORDS, type PointOfNoReturn, pointCheck } from "@/core/job";
import type { Step } from "@/core/teardown";
import { Mark } from "../draw/Mark";
import { useBench } from "../job/context";

/** Which point of no return a step is, if it is one. */
export function pointOf(step: Step, roleOf: (part: string) => string | undefined): PointOfNoReturn | null {
  if (step.kind === "linerPull") return "liner";
  if (step.kind !== "partBack") return null;
  const role = roleOf(step.target);
  return role === "bezel" ? "bezel" : role === "baseCover" ? "baseCover" : null;
}

/** Go, or stop with the one thing missing: from the log, in one look. */
export function PointCheck({ point }: { point: PointOfNoReturn }) {
  const { view } = useBench();
  const rows = pointCheck(view, point);
  const first = rows.find((r) => r.missing);
  return (
    <section aria-label={POINT_WORDS[point]} className={first ? "refusal flex-col" : "look flex-col"} data-point={point}>
      <h2 className="sec flex items-center gap-2">
        <Mark kind={first ? "stop" : "same"} size={24} />
        {first ? `${POINT_WORDS[point]}: stop` : `${POINT_WORDS[point]}: go`}
      </h2>
      <ul className="grid grid-cols-2 gap-x-4 text-[16px] leading-[20px]">
        {rows.map((r) => (
          <li key={r.what} className="flex items-start gap-2 py-0.5">
            <Mark kind={r.missing ? "stop" : "same"} size={16} label={r.missing ? "missing" : "holds"} />
            <span>
              {r.what}
              {r.missing && <b className="block">{r.missing}</b>}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
