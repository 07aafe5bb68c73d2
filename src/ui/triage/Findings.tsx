import { formatMoney } from "@/core/quantity";
import type { Advice, Findings as Answers, Outcome, TriageTable } from "@/core/triage";
import { OUTCOMES, points } from "./words";

/** Every finding as a row: what was answered, what it moved, what a test left is worth. */
export function Findings({
  advice: a,
  table: t,
  all,
  given,
  set,
}: {
  advice: Advice;
  table: TriageTable;
  all: Answers;
  given: Answers;
  set: (finding: string, kind: "sign" | "test", outcome: Outcome) => void;
}) {
  const seen = Object.keys(all).length;
  return (
    <div className="rows" role="group" aria-label="Findings">
      {[...t.findings]
        .sort((x, y) => Number(!all[x.id]) - Number(!all[y.id]) || Number(x.kind === "test") - Number(y.kind === "test"))
        .map((f) => {
          const l = a.ledger.find((x) => x.finding === f.id);
          const value = a.tests.find((x) => x.test === f.id);
          return (
            <div key={f.id} data-finding={f.id} data-open={!all[f.id]} style={{ alignItems: "center" }}>
              <span className="grow">
                {f.name}
                <span className="q block">
                  {l
                    ? `${given[f.id] ? "" : "from the drawing; "}${l.saidAlready ? "another look at the same thing says as much" : Math.abs(l.moved) < 0.005 ? "moves nothing" : `moved the lead by ${points(l.moved)}`}`
                    : f.kind === "test"
                      ? `test, ${f.minutes} min${f.access === "opened" ? ", opened" : ""}${f.power !== "any" ? `, ${f.power}` : ""}${value && seen > 0 ? `, worth ${formatMoney(Math.round(value.valueMinor), t.currency)}` : ""}`
                      : ""}
                </span>
              </span>
              <span className="flex gap-1">
                {OUTCOMES.map(([o, w]) => (
                  <button
                    key={o}
                    type="button"
                    className="btn quiet"
                    style={{ padding: "4px 10px" }}
                    aria-pressed={all[f.id] === o}
                    aria-label={`${f.name}: ${w}`}
                    onClick={() => set(f.id, f.kind, given[f.id] === o ? "notDone" : o)}
                  >
                    {w}
                  </button>
                ))}
              </span>
            </div>
          );
        })}
    </div>
  );
}
