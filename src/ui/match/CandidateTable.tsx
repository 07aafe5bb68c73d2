"use client";
import { DAY_MINOR, type FitRow, type Overall } from "@/core/panel";
import { formatMoney } from "@/core/quantity";
import { Mark } from "../draw/Mark";
import { Fingerprint, HereWords, hereBy, overallMark, stockWords } from "./parts";
import type { Candidate, ListedOffer } from "./useCandidates";

/** Who offers what: a fingerprint of the fit, the verdict, the price, the stock and the days, one row per candidate. */
export function CandidateTable({
  candidates,
  shown,
  locked,
  came,
  offerOf,
  nowMs,
  promiseAt,
  onPick,
}: {
  candidates: readonly Candidate[];
  /** The one on screen, with its rows as far as looks have settled them. */
  shown: { hash: string | undefined; rows: readonly FitRow[]; overall: Overall | undefined };
  locked: boolean;
  /** What was ordered is on the bench. */
  came: boolean;
  offerOf: (c: Candidate) => ListedOffer;
  nowMs: number;
  promiseAt: string | null;
  onPick: (n: number) => void;
}) {
  const currency = candidates[0]?.offers[0]?.currency ?? "";
  const here = candidates.find((c) => c.hash === shown.hash);
  return (
    <section aria-label="Candidates" tabIndex={0} style={{ overflowX: "auto", flex: "none" }}>
      <table className="cand w-full">
        <thead>
          <tr>
            <th scope="col">Candidate</th>
            <th scope="col">{shown.rows.length} fields, in table order</th>
            <th scope="col">Verdict</th>
            <th scope="col" className="text-right">
              {currency}
            </th>
            <th scope="col" className="text-right">
              Here
            </th>
          </tr>
        </thead>
        <tbody>
          {candidates.map((c, i) => {
            // On order, only what was ordered counts.
            if (locked && c.hash !== shown.hash) return null;
            const on = c.hash === shown.hash;
            const overall = on && shown.overall ? shown.overall : c.overall;
            const offer = offerOf(c);
            return (
              <tr key={c.hash} className={on ? "on" : ""}>
                <td>
                  <button
                    type="button"
                    className="mono tap flex items-center gap-2"
                    aria-pressed={on}
                    disabled={locked}
                    onClick={() => onPick(i)}
                  >
                    <b>{c.data.code}</b>
                  </button>
                </td>
                <td>
                  <Fingerprint rows={on && shown.rows.length ? shown.rows : c.rows} />
                </td>
                <td style={{ whiteSpace: "normal", lineHeight: "17px" }}>
                  <span className="flex items-center gap-2">
                    <Mark kind={overallMark(overall)} size={18} />
                    {overall.short}
                  </span>
                </td>
                <td className="text-right" style={{ lineHeight: "17px" }}>
                  <span className="mono">{formatMoney(offer.priceMinor, offer.currency).replace(` ${currency}`, "")}</span>
                  <span className={`block text-[14px] ${offer.stock === 0 ? "text-stop font-bold" : "text-ink-2"}`}>
                    {stockWords(offer.stock).replace(" in stock", "").replace("stock ", "")}
                    {offer.stock ? " left" : ""}
                  </span>
                </td>
                <td className="text-right" style={{ lineHeight: "17px" }}>
                  {came ? "came" : <HereWords here={hereBy(nowMs, offer.lead, promiseAt)} lines />}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {here?.why && !locked && candidates.length > 1 && (
        <p className="q px-[18px] py-1 text-[14px]">
          Sorted by what can be connected, then fewest open points, then price with {formatMoney(DAY_MINOR, currency)} a day. This
          one: {here.why}.
        </p>
      )}
    </section>
  );
}
