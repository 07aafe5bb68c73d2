"use client";
import type { StationPath } from "../shell/JobStrip";

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
          <select value={only.who} onChange={(e) => onOnly({ ...only, who: e.target.value })}>
            <option value="">anybody</option>
            {people.map((p) => (
              <option key={p}>{p}</option>
            ))}
          </select>
        </label>
        <label className="field">
          <span>Promised</span>
          <select value={only.promise} onChange={(e) => onOnly({ ...only, promise: e.target.value as Only["promise"] })}>
            <option value="any">any day</option>
            <option value="breaks">breaks</option>
            <option value="today">today</option>
            <option value="none">no date</option>
          </select>
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
