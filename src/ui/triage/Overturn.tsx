import Link from "next/link";
import { useMemo } from "react";
import { type Advice, type Findings, sensitivity, type TriageTable } from "@/core/triage";
import { useBench } from "../job/context";
import { pct } from "./words";

/** What would overturn the verdict, and whether it stands with every strength halved and doubled. */
export function Overturn({ advice: a, table: t, all }: { advice: Advice; table: TriageTable; all: Findings }) {
  const { cover: _, ...context } = useBench().view.state.triage.context;
  const key = JSON.stringify([context, all]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the key says what it depends on
  const fragile = useMemo(() => sensitivity(t, context, all), [t, key]);
  const name = (id: string) => a.ranking.find((r) => r.fault === id)?.name ?? id;
  return (
    <section>
      <h2 className="sec">What would overturn it</h2>
      <ul className="rows">
        {a.overturn.length === 0 && <li className="q">No single answer left would put another fault in the lead.</li>}
        {a.overturn.slice(0, 4).map((o) => (
          <li key={`${o.finding}-${o.outcome}`}>
            <span className="grow">
              {o.name}: {o.outcome}
            </span>
            <em>
              {name(o.lead).toLowerCase()} leads; chance {pct(o.p)}
            </em>
          </li>
        ))}
      </ul>
      <p className="q">
        {fragile.length === 0
          ? "With the strengths behind each finding halved or doubled, the same fault leads."
          : `Does not stand on: ${fragile.map((f) => `${f.name.toLowerCase()} ${f.change} (${name(f.lead).toLowerCase()} leads)`).join("; ")}.`}{" "}
        Strengths are adjustable defaults (A).{" "}
        <Link className="link" href="/likelihoods">
          The fault model
        </Link>
      </p>
    </section>
  );
}
