import { counted } from "@/core/quantity";
import type { StockPageData } from "@/wire/stock";
import { Mark } from "../draw/Mark";
import { amount, itemWords } from "./words";

type Lot = StockPageData["count"][number];

/** The lots to count this week: what is worth most and was counted longest ago. */
export function ToCount({ page, onCount }: { page: StockPageData; onCount: (lot: Lot) => void }) {
  if (page.count.length === 0) return null;
  return (
    <section aria-label="To count this week">
      <h2>
        <Mark kind="look" size={20} /> {counted(page.count.length, "lot")} to count this week
      </h2>
      <ul>
        {page.count.map((c) => (
          <li key={c.lot} style={{ display: "block" }}>
            <button type="button" className="link text-left" onClick={() => onCount(c)}>
              <b>{itemWords(c.item)}</b>, {c.lot}
            </button>
            <span>
              books {amount(c.item, c.left)}
              {c.place ? `, ${c.place}` : ""}, {c.days === 0 ? "new today" : `${counted(c.days, "day")} since`}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What happened beyond the books, newest first. */
export function Breaches({ breaches }: { breaches: StockPageData["breaches"] }) {
  if (breaches.length === 0) return null;
  return (
    <section aria-label="Beyond the books">
      <h2>Beyond the books</h2>
      <p className="q">More was used than stood on record. A count settles it.</p>
      <ul>
        {breaches.slice(0, 5).map((b) => (
          <li key={`${b.eventId} ${b.why}`}>
            <Mark kind="ask" size={18} />
            <span>{breachWords(b.why)}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** A breach as the fold writes it, in the words of the shelf. */
const breachWords = (why: string): string =>
  why.replace(
    /(\d+) (?:of )?((?:tape|panel|screw|part|film|tool|donor)\/.+?)(?= used| scrapped| short|$)/,
    (_, n, item) => `${amount(item, Number(n))} of ${itemWords(item)}`,
  );
