"use client";
import { useRouter } from "next/navigation";
import type { LeadTime, Offer, SellerRecord, SellerTerms } from "@/core/catalogue";
import { counted, formatMoney } from "@/core/quantity";
import { OfferByHand } from "../match/OfferByHand";

type Listed = Offer & { lead: LeadTime };
const WIDTH = 420;
const DAYS = 30;
const x = (days: number) => (Math.min(DAYS, days) / DAYS) * WIDTH;

/** Each seller by what the shop knows of him: days as the record has them against days as he says, what went back, what he offers. */
export function SellerList({
  sellers,
  offers,
  currency,
  codes,
}: {
  sellers: Record<string, { terms: SellerTerms | null; record: SellerRecord }>;
  offers: Listed[];
  currency: string;
  /** Part codes by panel id. */
  codes: Record<string, string>;
}) {
  const router = useRouter();
  const names = Object.keys(sellers).sort();
  return (
    <>
      <OfferByHand currency={currency} sellers={names} onKept={() => router.refresh()} open={names.length === 0} />
      {names.length === 0 && (
        <div className="empty">
          <b>No seller yet.</b> The first offer you write down brings the first seller.
        </div>
      )}
      {names.map((name) => {
        const { terms, record } = sellers[name]!;
        const own = offers.filter((o) => o.seller === name);
        return (
          <section key={name} className="flex flex-col gap-2 border-t-[1.5px] border-ink pt-3" aria-label={name}>
            <h2 className="sec">{name}</h2>
            <p>
              {record.orders === 0
                ? "Nothing ordered there yet"
                : `${counted(record.orders, "order")}, ${record.came} came, ${record.returned} went back`}
              {record.reasons.length > 0 && ` (${record.reasons.map((r) => `${r.reason} ${r.times}`).join(", ")})`}.{" "}
              {terms
                ? `Guarantee ${counted(terms.guaranteeDays, "day")}${terms.excludes ? `, not ${terms.excludes}` : ""}; goes back within ${counted(terms.returnDays, "day")}${terms.filmsOffEndsReturn ? " with its films on" : ""}.`
                : "What he promises is not recorded."}
            </p>
            {own.length > 0 && (
              <ul className="rows">
                {own.map((o) => (
                  <li key={`${o.panel}-${o.condition}`} className="flex-wrap" style={{ alignItems: "center" }}>
                    <span className="mono font-bold" style={{ width: 190 }}>
                      {codes[o.panel] ?? o.panel}
                    </span>
                    <span className="grow">
                      {o.condition}, {formatMoney(o.priceMinor, o.currency)}
                      {o.stock === 0 ? ", none in stock" : o.stock ? `, ${o.stock} in stock` : ""}
                      {o.byHand && ", written down by hand"}
                    </span>
                    <DaysRuler offer={o} />
                  </li>
                ))}
              </ul>
            )}
          </section>
        );
      })}
    </>
  );
}

/** Days on one ruler: what the seller says as a tick, what his record says as a bar from likely to bad case. */
function DaysRuler({ offer: o }: { offer: Listed }) {
  const late = o.lead.p80Days > DAYS;
  return (
    <svg
      width={WIDTH + 2}
      height={34}
      role="img"
      aria-label={`Says ${o.days} days; likely ${Math.round(o.lead.p50Days)}, ${Math.round(o.lead.p80Days)} in the bad case, from ${counted(o.lead.orders, "order")}`}
      className="dw"
    >
      <path
        d={`M1 22H${WIDTH + 1}${[0, 7, 14, 21, 28].map((d) => `M${x(d) + 1} 18v8`).join("")}`}
        className="pen1 sink"
        fill="none"
      />
      <rect
        x={x(o.lead.p50Days) + 1}
        y={6}
        width={Math.max(3, x(o.lead.p80Days) - x(o.lead.p50Days))}
        height={12}
        className="pf"
      />
      <path d={`M${x(o.days) + 1} 2V22`} stroke="var(--ink)" strokeWidth={2.4} />
      <text x={WIDTH + 1} y={33} textAnchor="end" className="t14 mono i3">
        {late ? `over ${DAYS}` : `${Math.round(o.lead.p50Days)} to ${Math.round(o.lead.p80Days)}`} d
      </text>
    </svg>
  );
}
