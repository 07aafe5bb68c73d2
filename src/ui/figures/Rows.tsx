import { formatMoney } from "@/core/quantity";
import type { FiguresPageData, SellerFigures } from "@/wire/figures";
import { itemWords, metres } from "../stock/words";
import { JobsBehind } from "./JobsBehind";
import { days, shareWords } from "./words";

/** What each seller's orders show: days taken against quoted on one ruler, and what went back. */
export function SellerRows({ sellers }: { sellers: readonly SellerFigures[] }) {
  const most = Math.max(1, ...sellers.flatMap((s) => [s.tookDays ?? 0, s.quotedDays ?? 0]));
  return (
    <section>
      <h2 className="sec">Which seller?</h2>
      {sellers.length === 0 && <p className="tells">Nothing was ordered yet.</p>}
      {sellers.map((s) => (
        <div key={s.seller} className="mb-3">
          <p>
            <b>{s.seller}</b>, {s.orders} {s.orders === 1 ? "order" : "orders"}.{" "}
            {s.tookDays === null
              ? "None came yet."
              : `Took ${days(s.tookDays)} in the middle, quoted ${days(s.quotedDays!)}. Went back: ${shareWords(s.returned)}.`}
          </p>
          {s.tookDays !== null && (
            <svg width="100%" height={22} role="img" aria-label={`Took ${days(s.tookDays)}, quoted ${days(s.quotedDays!)}`}>
              <rect x="0" y="3" width={`${(s.tookDays / most) * 92}%`} height={14} fill="var(--ink)" />
              <rect
                x="0"
                y="1"
                width={`${(s.quotedDays! / most) * 92}%`}
                height={18}
                fill="none"
                stroke="var(--ink)"
                strokeWidth={1.6}
                strokeDasharray="4 3"
              />
            </svg>
          )}
        </div>
      ))}
      {sellers.some((s) => s.tookDays !== null) && <p className="q">Solid: days taken. Dashed: days quoted.</p>}
    </section>
  );
}

/** What lies in the shop: its worth, how long it lasts, what expires. */
export function Lies({ page }: { page: FiguresPageData }) {
  const { lies, currency } = page;
  return (
    <section>
      <h2 className="sec">What lies?</h2>
      <p className="tells">
        {lies.lots === 0
          ? "Nothing is on record in the stock."
          : `${formatMoney(lies.valueMinor, currency)} in ${lies.lots} lots${lies.unpriced ? `, ${lies.unpriced} of them without a price and in no sum` : ""}.`}
        {lies.breaches > 0 && ` ${lies.breaches} times more was used than stood on record.`}
      </p>
      <ul className="rows">
        {lies.tape.map((t) => (
          <li key={t.item}>
            <b>{itemWords(t.item)}</b>
            <span className="grow text-right">
              {metres(t.leftMm)}
              {t.days === null ? ", too little used to say how long it lasts" : `, lasts about ${t.days} days`}
            </span>
          </li>
        ))}
        {lies.expiring.map((e) => (
          <li key={e.lot}>
            <b>{itemWords(e.item)}</b>
            <span className="grow text-right">
              {e.lot}, good until {e.expires.slice(0, 10)}
            </span>
          </li>
        ))}
      </ul>
      {page.panels.map((p) => (
        <div key={p.code}>
          <p>
            <b className="mono">{p.code}</b>: {p.fitted} fitted, {p.returned} sent back.
          </p>
          <JobsBehind jobs={p.jobs} words="Jobs" />
        </div>
      ))}
    </section>
  );
}
