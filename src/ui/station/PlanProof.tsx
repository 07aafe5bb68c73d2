import { counted, durationWords } from "@/core/quantity";
import type { OtherGoal, Plan } from "@/core/teardown";
import { Mark } from "../draw/Mark";

/** Why this plan: what it is worth, that nothing beats it or how far off it may be, what nearly equals it, what was left out. */
export function PlanProof({ plan, others }: { plan: Plan; others: readonly OtherGoal[] }) {
  const { value, bound, proven, near } = plan.objective;
  return (
    <section aria-label="Why this plan" className="flex flex-col gap-2 border-t-[1.5px] border-ink pt-2">
      <h2 className="sec flex items-center gap-2">
        <Mark kind={proven ? "same" : "look"} size={20} />
        {proven ? "No cheaper way is left" : `At most ${Math.ceil((1 - bound / value) * 100)} % off the best`}
      </h2>
      <p className="q">
        Way out worth {value.toFixed(1)} min: hands both ways, changes of bit, turns of the machine, what may break, what lies
        bare (A).
        {proven ? " Every other order and set was ruled out." : ` Nothing is cheaper than ${bound.toFixed(1)} min.`}
      </p>
      {near.map((n) => (
        <p key={n.instead.join()} className="look">
          <span>
            <b>Nearly as good, {(n.value - value).toFixed(1)} min more:</b>{" "}
            {n.instead.join("; ").toLowerCase() || "another order"}
            {n.of.length > 0 && <> instead of {n.of.join("; ").toLowerCase()}</>}.
          </span>
        </p>
      ))}
      {others.map((o) => (
        <details key={o.goal}>
          <summary className="min-h-11 cursor-pointer text-[16px] leading-[44px]">
            <b>Only {o.words}</b>: {o.steps.length} steps out, worth {o.value.toFixed(1)} min
            {o.proven ? "" : ", perhaps not the best"}
          </summary>
          <ol className="list-decimal pl-7 text-[15px] leading-[19px]">
            {o.steps.map((title) => (
              <li key={title}>{title}</li>
            ))}
          </ol>
        </details>
      ))}
      {plan.skipped.length > 0 && (
        <details>
          <summary className="min-h-11 cursor-pointer text-[16px] leading-[44px]">
            <b>{counted(plan.skipped.length, "step")} not needed for this goal</b>,{" "}
            {durationWords(plan.skipped.reduce((n, x) => n + x.minutes, 0))}
          </summary>
          <ul className="rows">
            {plan.skipped.map((x) => (
              <li key={x.id} style={{ fontSize: 15 }}>
                <span className="grow">{x.title}</span>
                <em>would cost {x.cost.toFixed(1)} min</em>
              </li>
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}
