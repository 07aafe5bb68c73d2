import { addDays, format, isSameDay } from "date-fns";
import { useLengths } from "@/client/habit";
import type { LeadTime } from "@/core/catalogue";
import type { FitRow, Overall, Shown } from "@/core/panel";
import { SOURCE_WORDS } from "@/core/quantity";
import { MARK_WORDS, type MarkKind, MarkShape, markOf } from "../draw/Mark";

export const overallMark = (o: Overall): MarkKind =>
  o.kind === "doNotConnect" ? "look" : o.kind === "same" || o.kind === "change" || o.kind === "ask" ? o.kind : "stop";

/** A value with the line and the letter that say how it is known. */
export const Value = ({ v, unit = "" }: { v: Shown; unit?: string }) => {
  const lengths = useLengths();
  const beside = unit ? lengths(`${v.text}${unit}`) : v.text;
  return v.source ? (
    <>
      <span className={`mono u u-${v.source}`}>{beside === `${v.text}${unit}` ? v.text : beside}</span>
      <abbr className="src" title={SOURCE_WORDS[v.source]}>
        {v.source}
      </abbr>
    </>
  ) : (
    <span className="q">unknown</span>
  );
};

/** One mark per compared field, in the order of the table. */
export function Fingerprint({ rows }: { rows: readonly FitRow[] }) {
  const step = 8.8;
  return (
    <svg
      width={rows.length * step}
      height={12}
      viewBox={`0 0 ${rows.length * step} 12`}
      role="img"
      aria-label={
        rows
          .filter((r) => r.verdict !== "same")
          .map((r) => `${r.name}: ${MARK_WORDS[markOf[r.verdict]]}`)
          .join(", ") || "all the same"
      }
    >
      {rows.map((r, i) => (
        <g key={r.field} transform={`translate(${i * step} 1.5) scale(.355)`} className={`mk-${markOf[r.verdict]}`}>
          <MarkShape kind={markOf[r.verdict]} />
        </g>
      ))}
    </svg>
  );
}

/** When it is likely here and when in the bad case, and which of the two comes after the promise. */
export interface Here {
  likely: string;
  /** Null when it falls on the same day. */
  bad: string | null;
  late: "no" | "maybe" | "surely";
}

/** @example hereBy(now, { p50Days: 1.1, p80Days: 3, orders: 4 }, null).likely // "Thu 11" */
export function hereBy(nowMs: number, lead: LeadTime, promiseIso: string | null): Here {
  const likely = addDays(nowMs, lead.p50Days);
  const bad = addDays(nowMs, lead.p80Days);
  const far = lead.p80Days > 25 ? "EEE d MMM" : "EEE d";
  const promise = promiseIso === null ? Number.POSITIVE_INFINITY : Date.parse(promiseIso);
  return {
    likely: format(likely, far),
    bad: isSameDay(likely, bad) ? null : format(bad, far),
    late: likely.getTime() > promise ? "surely" : bad.getTime() > promise ? "maybe" : "no",
  };
}

/** The two days, and a word where the promise breaks. */
export function HereWords({ here, lines = false }: { here: Here; lines?: boolean }) {
  const late = "text-stop font-bold";
  return (
    <>
      <span className={here.late === "surely" ? late : ""}>
        {here.likely}
        {here.late === "surely" && " late"}
      </span>
      {here.bad && (
        <span className={`${lines ? "block text-[14px]" : ""} ${here.late === "no" ? "" : late}`}>
          {lines ? "" : " "}to {here.bad}
          {here.late === "maybe" && " late"}
        </span>
      )}
    </>
  );
}

export const stockWords = (stock: number | undefined): string =>
  stock === undefined ? "stock not said" : stock === 0 ? "none in stock" : `${stock} in stock`;
