import { format, isSameDay } from "date-fns";
import Link from "next/link";
import type { StockToday } from "@/wire/stock";
import { Mark } from "../draw/Mark";
import { amount, itemWords } from "../stock/words";

/** What is to be bought for jobs, and which parcel of the shop is likely today or overdue; nothing where nothing is. */
export function StockHint({ stock, nowMs }: { stock: StockToday; nowMs: number }) {
  const due = stock.out.filter((o) => o.dueMs < nowMs || isSameDay(o.dueMs, nowMs));
  if (stock.short.length === 0 && due.length === 0) return null;
  return (
    <section aria-label="Stock">
      <h2>Stock</h2>
      <ul>
        {stock.short.slice(0, 4).map((s) => (
          <li key={s.item}>
            <Mark kind="stop" size={20} label="short" />
            <div>
              <Link className="link font-bold" href="/stock" prefetch={false}>
                Buy {itemWords(s.item)}
              </Link>
              <span>
                {amount(s.item, s.count)} short for {s.jobs.slice(0, 3).join(", ")}
              </span>
            </div>
          </li>
        ))}
        {due.map((o) => (
          <li key={o.order}>
            <Mark kind="look" size={20} />
            <div>
              <Link className="link mono font-bold" href="/stock" prefetch={false}>
                {o.order}
              </Link>
              <span>
                {o.seller}, {isSameDay(o.dueMs, nowMs) ? "likely today" : `likely since ${format(o.dueMs, "EEE d MMM")}`}
              </span>
            </div>
          </li>
        ))}
      </ul>
    </section>
  );
}
