import type { FitRow } from "@/core/panel";
import { listed } from "@/core/quantity";
import { Tick } from "../controls/Tick";

/** What is not known and can destroy a board: accepted one by one before an order, to be looked at on arrival. */
export function AcceptUnknowns({
  rows,
  accepted,
  onAccept,
}: {
  rows: readonly FitRow[];
  accepted: readonly string[];
  onAccept: (fields: readonly string[]) => void;
}) {
  return (
    <fieldset className="look flex-col">
      <legend className="vh">Accept what is not known</legend>
      <p>
        <b>{listed(rows.map((r) => r.name))} not known.</b> Wrong there, it can destroy the board. Order only if you accept to
        look at the part in hand before it is connected.
      </p>
      {rows.map((r) => (
        <label key={r.field} className="flex min-h-11 items-center gap-3">
          <Tick
            on={accepted.includes(r.field)}
            onPut={(on) => onAccept(on ? [...accepted, r.field] : accepted.filter((x) => x !== r.field))}
          />
          {r.name}: {r.look}
        </label>
      ))}
    </fieldset>
  );
}
