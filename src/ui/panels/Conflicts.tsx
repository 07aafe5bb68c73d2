import { type Claim, type Conflict, claimWords, FACT_LABEL, type FactName, factWords } from "@/core/panel";
import { Mark } from "../draw/Mark";

/** Facts on which sources disagree, each to be settled by a person. */
export function Conflicts({
  conflicts,
  claims,
  onSettle,
}: {
  conflicts: readonly Conflict[];
  claims: readonly Claim[];
  onSettle: (fact: FactName, take: "kept" | number) => void;
}) {
  return (
    <div className="look flex-col" role="group" aria-label="Sources disagree">
      <p>
        <Mark kind="look" size={20} /> <b>Sources disagree.</b> Until you settle it, the comparison takes the fact as unknown.
      </p>
      {conflicts.map((c) => (
        <div key={c.fact} className="flex flex-wrap items-center gap-2">
          <span className="grow">
            <b>{FACT_LABEL[c.fact]}</b>
          </span>
          <button type="button" className="btn quiet" onClick={() => onSettle(c.fact, "kept")}>
            Keep {claimWords(factWords(c.fact, c.kept.value), c.kept)}
          </button>
          {c.against.map((a) => (
            <button
              key={`${a.source}-${a.from}-${JSON.stringify(a.value)}`}
              type="button"
              className="btn quiet"
              onClick={() =>
                onSettle(
                  c.fact,
                  claims.findIndex((x) => JSON.stringify(x) === JSON.stringify(a)),
                )
              }
            >
              Take {claimWords(factWords(c.fact, a.value), a)}
            </button>
          ))}
        </div>
      ))}
    </div>
  );
}
