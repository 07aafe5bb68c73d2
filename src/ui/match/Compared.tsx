import type { FitRow } from "@/core/panel";
import { Mark } from "../draw/Mark";
import { FieldTable } from "./FieldTable";
import { SideBySide } from "./SideBySide";
import type { Candidate } from "./useCandidates";

/** The fields, one candidate at a time or up to four side by side, and what to look at when it arrives. */
export function Compared({
  rows,
  candidates,
  shown,
  at,
  side,
  isNew,
  looks,
  onSide,
  onAt,
  onPick,
}: {
  rows: readonly FitRow[];
  candidates: Candidate[];
  shown: string | undefined;
  at: string | null;
  side: boolean;
  isNew: boolean;
  looks: readonly FitRow[];
  onSide: () => void;
  onAt: (field: string | null) => void;
  onPick: (hash: string) => void;
}) {
  const differing = rows.filter((r) => r.verdict !== "same");
  const here = rows.find((r) => r.field === at);
  return (
    <section aria-label="Fields compared" tabIndex={0} style={{ overflowX: "auto", flex: "none" }} className="pb-3">
      <div className="flex items-center justify-between gap-3 px-[18px] text-[14px] text-ink-2">
        <span className="flex flex-wrap items-center gap-1.5">
          <kbd>Up</kbd> <kbd>Down</kbd>{" "}
          {differing.length === 1 ? "1 field that differs" : `${differing.length} fields that differ`}
          <kbd className="ml-2">Left</kbd> <kbd>Right</kbd> candidate
        </span>
        <button type="button" className="link min-h-11 text-[15px]" aria-pressed={side} onClick={onSide}>
          {side ? "One at a time" : "Side by side"} <kbd>V</kbd>
        </button>
      </div>
      <p className="vh" aria-live="polite">
        {here ? `${here.name}: ${here.words}. ${here.reason}` : ""}
      </p>
      {side && candidates.length > 1 ? (
        <SideBySide candidates={candidates} shown={shown} at={at} onPick={onPick} onAt={onAt} />
      ) : (
        <FieldTable rows={rows} at={at} isNew={isNew} onAt={onAt} />
      )}
      {looks.length > 0 && (
        <div className="px-[18px] pt-3">
          <h2 className="sec flex items-center gap-2">
            <Mark kind="look" size={22} />
            Look at when it arrives
          </h2>
          <ul className="grid grid-cols-2 gap-x-5">
            {looks.map((r) => (
              <li key={r.field} className="flex gap-2 py-1 text-[15px]">
                <span className="open-sq mt-0.5" />
                {r.look}
              </li>
            ))}
          </ul>
        </div>
      )}
    </section>
  );
}
