"use client";
import { addDays, format } from "date-fns";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useEffect, useState } from "react";
import type { Act, ShopOrder } from "@/core/job";
import { formatMoney, listed } from "@/core/quantity";
import type { BuyToday } from "@/core/reorder";
import { readItem } from "@/core/stock";
import type { StockPageData } from "@/wire/stock";
import { Plate } from "../controls/Plate";
import { bindLine, isJobsPanel } from "./bindLine";
import type { StockHandle } from "./useStock";
import { itemWords } from "./words";

/** Shares of a sum, as lengths on one ruler of money. */
function MoneyBar({ parts }: { parts: { minor: number; words: string }[] }) {
  const sum = parts.reduce((n, p) => n + p.minor, 0);
  if (sum === 0) return null;
  const fills = ["var(--ink)", "url(#kept)", "var(--rule)", "var(--sheet-2)", "var(--sheet)"];
  let at = 0;
  return (
    <svg width="100%" height={22} role="img" aria-label={parts.map((p) => p.words).join("; ")} className="dw mt-2">
      {parts.map((p, k) => {
        const x = at;
        at += p.minor;
        return (
          <rect
            key={p.words}
            x={`${(x / sum) * 100}%`}
            y={1}
            width={`${(p.minor / sum) * 100}%`}
            height={20}
            fill={fills[Math.min(k, fills.length - 1)]}
            stroke="var(--ink)"
            strokeWidth={1.4}
          />
        );
      })}
    </svg>
  );
}

type PlacedOrder = Extract<Act, { type: "stock.ordered" }>["payload"];

/** Whether the order on record under its number is this one: another bench may have taken the number first. */
const isPlaced = (o: PlacedOrder, kept: ShopOrder | undefined): boolean =>
  kept?.seller === o.seller &&
  kept.lines.length === o.lines.length &&
  kept.lines.every((l, k) => l.item === o.lines[k]!.item && l.job === (o.lines[k]!.job ?? null));

/**
 * Lines of what is bought of one thing: a panel for each job that waits for one, the rest for the shelf; of anything else one line, as
 * jobs take from what lies there.
 */
function linesOf(l: BuyToday["lines"][number], page: StockPageData, orders: StockHandle["orders"]) {
  const count = Math.max(1, Math.round((l.forJobs + l.forShelf) / l.packs)) * l.packs;
  const whole = { item: l.item, count, priceMinor: l.priceMinor };
  if (readItem(l.item)?.kind !== "panel") return [whole];
  const onWay = new Set(
    Object.values(orders).flatMap((o) => o.lines.flatMap((x) => (x.job && x.item === l.item && !o.over[x.line] ? [x.job] : []))),
  );
  const jobs = page.needs.filter((n) => n.item === l.item && !n.shut && !onWay.has(n.job)).slice(0, l.forJobs);
  const each = Math.round(l.priceMinor / count);
  const shelf = count - jobs.length;
  return [
    ...jobs.map((n) => ({ item: l.item, count: 1, priceMinor: each, job: n.job })),
    ...(shelf > 0 ? [{ item: l.item, count: shelf, priceMinor: l.priceMinor - each * jobs.length }] : []),
  ];
}

/** Why something is not bought, in money. */
function why(a: BuyToday["advice"][number], currency: string): string {
  const money = (m: number) => formatMoney(m, currency);
  const asked = a.point ? `asked for ${a.point.occasions} ${a.point.occasions === 1 ? "time" : "times"}` : "";
  if (a.is === "noSeller")
    return a.must > 0
      ? "needed, and nobody is on record who sells it. Write down an offer, or what it cost when it comes."
      : "asked for here before, and nobody is on record who sells it.";
  if (a.is === "doNotStock")
    return `do not stock. Waiting for one when it is ${asked} costs ${money(a.noneMinor)} a year; one lying here would cost more.`;
  if (a.is === "canWait") return "short of what is worth keeping; it waits for the next parcel, its own postage would cost more.";
  return `${a.position} free is right, ${a.S} worth keeping. It costs ${money(a.perYearMinor)} a year; none would cost ${money(a.noneMinor)}.`;
}

/** What to buy today, from whom, and why not the rest: money decides, and is shown. */
export function BuySide({ page, stock }: { page: StockPageData; stock: StockHandle }) {
  const { buy, currency } = page;
  const router = useRouter();
  const [said, setSaid] = useState<string | null>(null);
  const [toBind, setToBind] = useState<readonly PlacedOrder[]>([]);
  // An order placed here is not placed twice while the advice is read anew.
  const placed = stock.orders[page.nextOrder] !== undefined;
  const latest = buy.parcels.reduce((d, p) => Math.max(d, p.lead.p50Days), 0);
  const order = () => {
    const first = Number(page.nextOrder.slice(2));
    const acts = buy.parcels.map((parcel, n) => {
      const order = `B-${first + n}`;
      const lines = buy.lines.filter((l) => l.seller === parcel.seller);
      return {
        type: "stock.ordered" as const,
        payload: {
          order,
          seller: parcel.seller,
          currency,
          postageMinor: parcel.postageMinor,
          dueDays: Math.min(365, Math.max(1, Math.ceil(parcel.lead.p50Days))),
          days: { p50: Math.min(400, parcel.lead.p50Days), p80: Math.min(400, parcel.lead.p80Days) },
          lines: lines.flatMap((l) => linesOf(l, page, stock.orders)).map((l, k) => ({ line: `${order}.${k + 1}`, ...l })),
          confirmed: true as const,
        },
      };
    });
    if (!stock.log.record(...acts)) return setSaid(null);
    const names = acts.map((a) => a.payload.order).join(" and ");
    setSaid(`${names} on record: call or write it to the seller.`);
    setToBind(acts.map((a) => a.payload));
  };
  // Every panel that was ordered for a job stands in that job once the server has the order: one that was refused, as another bench took
  // its number, is in none.
  const { unsent, state } = stock.log;
  useEffect(() => {
    if (toBind.length === 0 || unsent > 0) return;
    setToBind([]);
    const kept = toBind.filter((o) => isPlaced(o, state.shop.orders[o.order]));
    const bind = async () => {
      const not: string[] = [];
      for (const o of kept)
        for (const l of o.lines) {
          const line = { ...l, job: l.job ?? null };
          if (!isJobsPanel(line)) continue;
          const why = await bindLine(page, { ...o, days: o.days ?? null }, line);
          if (why) not.push(`Not put into ${line.job}: ${why}`);
        }
      if (not.length) setSaid(not.join(" "));
      router.refresh();
    };
    void bind();
  }, [toBind, unsent, state, page, router]);
  const waits = page.needs.filter((n) => n.shut);
  const goods = [...buy.lines].sort((a, b) => b.priceMinor - a.priceMinor);
  return (
    <section aria-label="What to buy today">
      <h2 className="big">Buy today, {currency}</h2>
      {buy.lines.length === 0 ? (
        <p className="q">Nothing. What jobs wait for is here or on its way, and no shelf is short of what is worth keeping.</p>
      ) : (
        <>
          <p>
            {buy.parcels.length === 1 ? "One parcel" : `${buy.parcels.length} parcels`},{" "}
            {listed(buy.parcels.map((p) => p.seller))}.
            {buy.otherwise &&
              ` With ${buy.otherwise.parcels === 1 ? "one" : buy.otherwise.parcels} it would be ${formatMoney(buy.otherwise.totalMinor, currency)}.`}
          </p>
          <ul className="buylines">
            {goods.map((l) => (
              <li key={l.item}>
                <div>
                  <b>{itemWords(l.item)}</b>
                  <span>
                    {l.forJobs > 0 &&
                      `${l.packs === 1 ? 1 : l.packs} for ${
                        page.needs
                          .filter((n) => n.item === l.item && !n.shut)
                          .map((n) => n.job)
                          .sort()
                          .join(", ") || "jobs"
                      }`}
                    {l.forJobs > 0 && l.forShelf > 0 && ", the rest "}
                    {l.forShelf > 0 && (l.forJobs > 0 ? "for the shelf" : `${l.packs} for the shelf`)}, {l.seller}
                  </span>
                </div>
                <b className="mono">{(l.priceMinor / 100).toFixed(2)}</b>
              </li>
            ))}
            <li>
              <div>
                <b>Postage</b>
                <span>{buy.parcels.length === 1 ? "one parcel" : `${buy.parcels.length} parcels`}</span>
              </div>
              <b className="mono">{(buy.parcels.reduce((n, p) => n + p.postageMinor, 0) / 100).toFixed(2)}</b>
            </li>
          </ul>
          <MoneyBar
            parts={[
              ...goods.map((l) => ({
                minor: l.priceMinor,
                words: `${itemWords(l.item)} ${formatMoney(l.priceMinor, currency)}`,
              })),
              { minor: buy.parcels.reduce((n, p) => n + p.postageMinor, 0), words: "postage" },
            ]}
          />
          <div className="mt-3">
            <Plate
              small
              hold
              keyCap="Enter"
              line1={`Order, ${(buy.totalMinor / 100).toFixed(2)}`}
              line2={`Likely ${format(addDays(page.nowMs, Math.ceil(latest)), "EEE d MMM")}`}
              disabledWhy={placed ? "Placed: the advice is read again" : null}
              onAct={order}
            />
          </div>
        </>
      )}
      {said && (
        <p role="status" className="mt-2">
          {said}
        </p>
      )}
      {waits.length > 0 && (
        <ul className="mt-2" aria-label="Waits for a word">
          {waits.map((n) => (
            <li key={n.job} className="text-[15px]">
              <Link className="link mono font-bold" href={`/jobs/${n.jobId}/match`} prefetch={false}>
                {n.job}
              </Link>{" "}
              needs {itemWords(n.item)}, not in this order: {n.shut}
            </li>
          ))}
        </ul>
      )}
      {buy.advice.length > 0 && (
        <details open={buy.lines.length === 0 || undefined} className="mt-3">
          <summary>
            <b>Not bought, and why</b> ({buy.advice.length})
          </summary>
          {buy.advice.map((a) => (
            <p key={a.item} className="mt-1 text-[15px]">
              <b className="mono">{itemWords(a.item)}</b>: {why(a, currency)}
            </p>
          ))}
        </details>
      )}
    </section>
  );
}
