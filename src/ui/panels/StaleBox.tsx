import type { FactName, Panel } from "@/core/panel";
import { Differences } from "./Differences";

/** The record was changed by somebody else meanwhile: what differs, and the way on from theirs. */
export function StaleBox({
  words,
  version,
  mine,
  theirs,
  onTheirs,
  onSeen,
}: {
  words: string;
  version: number;
  mine: Panel | null;
  theirs: Panel;
  onTheirs: (fact: FactName) => void;
  onSeen: () => void;
}) {
  return (
    <div className="refusal flex-col" role="alert">
      <b>{words}</b>
      <Differences mine={mine} theirs={theirs} onTheirs={onTheirs} />
      <button type="button" className="btn self-start" onClick={onSeen}>
        Seen: go on from version {version}
      </button>
    </div>
  );
}
