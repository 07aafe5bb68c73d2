"use client";
import { useMemo } from "react";
import { type Build, type BuildProblem, lookAgain } from "@/core/build";
import { durationWords, listed } from "@/core/quantity";
import { Mark } from "../draw/Mark";
import type { PlanHandle } from "../job/usePlan";

/** What follows from the build as drawn: its plan, or what stands in the way of one. */
export function EditorPlan({ build, plan, problems }: { build: Build; plan: PlanHandle; problems: BuildProblem[] }) {
  const again = useMemo(() => lookAgain(build), [build]);
  const made = problems.length ? null : plan.made;
  return (
    <section aria-label="Plan" aria-live="polite" aria-busy={!plan.fresh} className="border-t-[1.5px] border-ink pt-2">
      {made?.ok ? (
        <>
          <h2 className="sec flex items-center gap-2">
            <Mark kind={made.plan.objective.proven ? "same" : "look"} size={20} />
            {made.plan.out.length} steps out, {made.plan.in.length} back, {durationWords(made.plan.minutes.p50)}
          </h2>
          {again.length > 0 && <p className="q">Nothing here holds {listed(again)}: clips, glue, or a screw not seen yet?</p>}
          {made.plan.warnings.map((w) => (
            <p key={w} className="q flex items-start gap-2">
              <Mark kind="look" size={18} /> {w}
            </p>
          ))}
          <ol className="list-decimal pl-7 text-[15px] leading-[19px]">
            {made.plan.out.map((s) => (
              <li key={s.id}>
                {s.title}
                {s.kind === "look" && <span className="block text-ink-2">{s.how}</span>}
              </li>
            ))}
          </ol>
        </>
      ) : (
        <>
          <h2 className="sec flex items-center gap-2">
            <Mark kind="stop" size={20} /> {made || problems.length ? "No plan yet" : "Planning"}
          </h2>
          <ul className="list-disc pl-5 text-[15px]">
            {made && !made.ok && <li>{made.problem}</li>}
            {problems.slice(0, 8).map((p, i) => (
              <li key={i}>
                <span className="mono">{p.where}</span>: {p.message}
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}
