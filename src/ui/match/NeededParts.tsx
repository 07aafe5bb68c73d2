import type { FitRow } from "@/core/panel";
import { formatMoney } from "@/core/quantity";
import { Tick } from "../controls/Tick";

/** A part a change asks for that has to be bought. */
export interface NeededLine {
  what: string;
  count: number;
  priceMinor: number;
}
/** Parts the changes ask for, each once. */
export const neededLines = (rows: readonly FitRow[]): NeededLine[] => {
  const lines: NeededLine[] = [];
  for (const r of rows)
    if (r.verdict === "change" && r.change && r.change.costMinor > 0 && !lines.some((l) => l.what === r.change!.part))
      lines.push({ what: r.change.part, count: 1, priceMinor: r.change.costMinor });
  return lines;
};

/** What the changes need, ordered along unless it is here. */
export function NeededParts({
  needed,
  have,
  currency,
  onHave,
}: {
  needed: readonly NeededLine[];
  have: readonly string[];
  currency: string;
  onHave: (have: readonly string[]) => void;
}) {
  return (
    <fieldset className="flex flex-wrap items-center gap-x-5 text-[15px]">
      <legend className="float-left mr-4 font-bold">The changes need</legend>
      {needed.map((l) => (
        <label key={l.what} className="flex min-h-11 items-center gap-2">
          <Tick on={!have.includes(l.what)} onPut={(on) => onHave(on ? have.filter((x) => x !== l.what) : [...have, l.what])} />
          order {l.what}, {formatMoney(l.priceMinor, currency)} (A)
        </label>
      ))}
    </fieldset>
  );
}
