"use client";
import { type Choice, Choose } from "../controls/Choose";
import type { StationPath } from "../shell/JobStrip";

const PROMISED: readonly Choice<Only["promise"]>[] = [
  ["any", "any day"],
  ["breaks", "breaks"],
  ["today", "today"],
  ["none", "no date"],
];

/** Which jobs stand on the shelves; everything, unless somebody asks for less. */
export interface Only {
  station: StationPath | null;
  who: string;
  promise: "any" | "breaks" | "today" | "none";
}
export const ALL: Only = { station: null, who: "", promise: "any" };

/** Fewer jobs on the shelves: of one person, of one promise. */
export function BenchOnly({
  only,
  onOnly,
  people,
  shown,
  all,
}: {
  only: Only;
  onOnly: (o: Only) => void;
  people: string[];
  shown: number;
  all: number;
}) {
  const less = only.station !== null || only.who !== "" || only.promise !== "any";
  return (
    <section>
      <h2>{less ? `${shown} of ${all} jobs shown` : `All ${all} jobs shown`}</h2>
      <div className="grid grid-cols-2 gap-2">
        <label className="field">
          <span>Worked on by</span>
          <Choose
            value={only.who}
            options={[["", "anybody"], ...people.map((p) => [p, p] as const)]}
            onValue={(who) => onOnly({ ...only, who })}
          />
        </label>
        <label className="field">
          <span>Promised</span>
          <Choose value={only.promise} options={PROMISED} onValue={(promise) => onOnly({ ...only, promise })} />
        </label>
      </div>
      {less && (
        <button type="button" className="btn quiet mt-2" onClick={() => onOnly(ALL)}>
          Show all {all}
        </button>
      )}
    </section>
  );
}
