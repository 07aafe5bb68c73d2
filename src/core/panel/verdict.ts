import { counted, listed } from "../quantity";
import type { FitRow } from "./rules/row";

export type OverallKind = "stop" | "doNotConnect" | "change" | "ask" | "same";

export interface Overall {
  kind: OverallKind;
  /** True while anything is unknown. */
  conditional: boolean;
  changes: number;
  asks: number;
  looks: number;
  /** "Works with 4 changes, if 2 looks agree" */
  words: string;
  short: string;
}

/**
 * The verdict on a candidate as a whole: the worst known class, *do not connect* while a destroying field is unknown,
 * unconditional only when nothing is unknown. Counts of changes, asks and looks are always said.
 * @example overallVerdict(compareFit(old, candidate, build)).words // "Do not connect yet: contacts face not known. Then 3 changes, if 2 looks agree"
 */
export function overallVerdict(rows: readonly FitRow[]): Overall {
  const stops = rows.filter((r) => r.verdict === "stop");
  const changes = rows.filter((r) => r.verdict === "change").length;
  const asks = rows.filter((r) => r.verdict === "ask").length;
  const unknown = rows.filter((r) => r.verdict === "unknown");
  const looks = unknown.length;
  const counts = { changes, asks, looks, conditional: looks > 0 };
  const tail = [
    changes ? counted(changes, "change") : "",
    asks ? counted(asks, "ask") : "",
    looks ? counted(looks, "look") : "",
  ].filter(Boolean);
  if (stops.length) {
    const other = tail.length ? ` Besides: ${listed(tail)}.` : "";
    return {
      ...counts,
      kind: "stop",
      words: `Does not fit: ${listed(stops.map((s) => `${s.name.split(",")[0]!.toLowerCase()} ${s.words}`))}.${other}`,
      short: stops[0]!.words.split(",")[0]!,
    };
  }
  const agree = looks ? `, if ${looks === 1 ? "1 look agrees" : `${looks} looks agree`}` : "";
  const destroying = unknown.filter((r) => r.destroying);
  if (destroying.length) {
    const also = [changes ? counted(changes, "change") : "", asks ? `${counted(asks, "ask")} of the customer` : ""].filter(
      Boolean,
    );
    return {
      ...counts,
      kind: "doNotConnect",
      words: `Do not connect yet: ${namesOf(destroying)} not known.${also.length ? ` Then ${listed(also)}` : " Fits"}${agree}`,
      short: `${looks} to look at`,
    };
  }
  if (changes)
    return {
      ...counts,
      kind: "change",
      words: `Works with ${counted(changes, "change")}${asks ? ` and ${counted(asks, "ask")} of the customer` : ""}${agree}`,
      short: counted(changes, "change"),
    };
  if (asks)
    return {
      ...counts,
      kind: "ask",
      words: `Fits, but ask the customer about ${counted(asks, "difference")}${agree}`,
      short: counted(asks, "ask"),
    };
  // Differences that are known, though what they mean is not.
  const apart = unknown.filter(
    (r) => r.differs || (r.old.source !== null && r.candidate.source !== null && r.old.text !== r.candidate.text),
  );
  if (apart.length)
    return {
      ...counts,
      kind: "same",
      words: `Nothing known against it; differs in ${listed(apart.map((r) => r.name.split(",")[0]!.toLowerCase()))}${agree}`,
      short: `${looks} to look at`,
    };
  return {
    ...counts,
    kind: "same",
    words: `Same in every field compared${agree}`,
    short: looks ? `same, ${looks} to look at` : "same",
  };
}

/** Rows in a headline: three by name, or two and how many more; all of them stand below it. */
function namesOf(rows: readonly FitRow[]): string {
  const names = rows.map((d) => d.name.split(",")[0]!.toLowerCase());
  return listed(names.length > 3 ? [...names.slice(0, 2), `${names.length - 2} more facts`] : names);
}
