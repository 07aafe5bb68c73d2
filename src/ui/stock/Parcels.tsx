"use client";
import { addDays, differenceInCalendarDays, format } from "date-fns";
import { useRouter } from "next/navigation";
import { msOf, type ShopOrder } from "@/core/job";
import { counted } from "@/core/quantity";
import type { StockPageData } from "@/wire/stock";
import { AskSeller } from "./AskSeller";
import { bindLine, isJobsPanel, type OrderLine } from "./bindLine";
import type { StockHandle } from "./useStock";
import { amount, itemWords } from "./words";

const SPAN = 21;

/** Orders that are out, as parcels on one ruler of days: from likely to four in five. */
export function Parcels({
  page,
  stock,
  onCame,
  onSaid,
}: {
  page: StockPageData;
  stock: StockHandle;
  onCame: (line: string) => void;
  onSaid: (words: string) => void;
}) {
  const { log, orders } = stock;
  const { nowMs } = page;
  const router = useRouter();
  /** Cancelled in the order, and in the job it stands in. */
  const cancel = async (order: string, l: OrderLine) => {
    if (log.record({ type: "stock.orderMoved", payload: { order, is: "cancelled", lines: [l.line], note: "" } }))
      await takeOut(order, l);
  };
  const takeOut = async (order: string, l: OrderLine) => {
    const at = page.lines[l.line];
    if (at?.is !== "out") return;
    const { actOn } = await import("@/client/actOn");
    const why = await actOn(at.id, {
      type: "match.returned",
      payload: { reason: "neverCame", note: `${order} cancelled`, kept: [] },
    });
    onSaid(why ? `${at.job} still waits for it: ${why}` : `${at.job} waits for it no more: pick another in its Match.`);
    router.refresh();
  };
  const put = async (o: ShopOrder, l: OrderLine) => {
    const why = await bindLine(page, o, l);
    onSaid(why ? `Not put into ${l.job}: ${why}` : `${l.job} waits for it now.`);
    router.refresh();
  };
  const open = Object.entries(orders).filter(([, o]) =>
    o.lines.some((l) => (o.over[l.line] ? page.lines[l.line]?.is === "out" : l.came < l.count)),
  );
  if (open.length === 0) return null;
  const day = (o: ShopOrder, d: number) => differenceInCalendarDays(addDays(msOf(o.clock), Math.ceil(d)), nowMs);
  const pc = (d: number) => `${(Math.max(-1, Math.min(SPAN, d)) / (SPAN + 1)) * 100 + 100 / (SPAN + 1)}%`;
  return (
    <section aria-label="On the way">
      <h2>On the way</h2>
      {open.map(([id, o]) => {
        const [from, to] = [day(o, o.days?.p50 ?? o.dueDays), day(o, o.days?.p80 ?? o.dueDays * 1.4)];
        const late = to < 0;
        return (
          <div key={id} className="parcel" data-order={id}>
            <p>
              <b className="mono">{id}</b> {o.seller}, {o.is}
            </p>
            <svg
              width="100%"
              height={26}
              role="img"
              aria-label={`${id}: likely ${format(addDays(nowMs, from), "EEE d MMM")}, four times in five by ${format(addDays(nowMs, to), "EEE d MMM")}`}
            >
              <line x1="0" x2="100%" y1={20} y2={20} stroke="var(--ink)" strokeWidth={1.6} />
              {Array.from({ length: SPAN + 1 }, (_, k) => (
                <line key={k} x1={pc(k)} x2={pc(k)} y1={20} y2={k % 7 === 0 ? 26 : 23} stroke="var(--ink)" />
              ))}
              <rect
                x={pc(Math.max(-1, from))}
                y={3}
                width={`${(Math.max(1, Math.min(SPAN, to) - Math.max(-1, from)) / (SPAN + 1)) * 100}%`}
                height={13}
                fill={late ? "none" : "url(#kept)"}
                stroke="var(--ink)"
                strokeDasharray={late ? "4 3" : undefined}
                strokeWidth={1.6}
              />
            </svg>
            <p className="q">
              {late
                ? `Overdue by ${counted(-to, "day")}: ask ${o.seller}.`
                : `Likely ${format(addDays(nowMs, Math.max(0, from)), "EEE d MMM")}, four times in five by ${format(addDays(nowMs, to), "EEE d MMM")}.`}
            </p>
            <ul>
              {o.lines.map((l) => (
                <li key={l.line}>
                  <div className="grow">
                    <b>{itemWords(l.item)}</b>
                    <span>
                      {amount(l.item, l.count)}
                      {l.job ? ` for ${l.job}` : " for the shelf"}
                      {isJobsPanel(l) && !page.lines[l.line] && !o.over[l.line] && l.came < l.count && ", not in the job yet"}
                      {o.over[l.line]
                        ? `, ${o.over[l.line]}`
                        : l.came >= l.count
                          ? ", came"
                          : l.came > 0
                            ? `, ${amount(l.item, l.came)} came`
                            : ""}
                    </span>
                  </div>
                  {o.over[l.line] && page.lines[l.line]?.is === "out" && (
                    <button type="button" className="btn" onClick={() => void takeOut(id, l)}>
                      Take it out of {l.job}
                    </button>
                  )}
                  {!o.over[l.line] && l.came < l.count && (
                    <>
                      {isJobsPanel(l) && !page.lines[l.line] && page.needs.some((n) => n.job === l.job && n.item === l.item) ? (
                        <button type="button" className="btn" onClick={() => void put(o, l)}>
                          Put it in
                        </button>
                      ) : (
                        <button type="button" className="btn" onClick={() => onCame(l.line)}>
                          Came
                        </button>
                      )}
                      <button
                        type="button"
                        className="link"
                        aria-label={`Cancel ${itemWords(l.item)} of ${id} for ${l.job ?? "the shelf"}`}
                        onClick={() => void cancel(id, l)}
                      >
                        Cancel
                      </button>
                    </>
                  )}
                </li>
              ))}
            </ul>
            <AskSeller id={id} order={o} log={log} />
          </div>
        );
      })}
    </section>
  );
}
