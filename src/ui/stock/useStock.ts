"use client";
import { useRouter } from "next/navigation";
import { useEffect, useMemo, useState } from "react";
import { comingOf, type ShopOrder, type Snapshots, STOCK_LOG, stockFromLog, withJobLines } from "@/core/job";
import { foldStock, type ShelfItem, type StockState, shelvesOf } from "@/core/stock";
import type { StockPageData } from "@/wire/stock";
import { type JobLogHandle, useJobLog } from "../job/useJobLog";

export interface StockHandle {
  log: JobLogHandle;
  state: StockState;
  shelves: ShelfItem[];
  /** Orders of the shop, with what jobs say of their lines. */
  orders: Record<string, ShopOrder>;
}

/** The log of the stock relies on no reference data. */
const NONE: Snapshots = {};

/** The stock as this device knows it: what the server told, and what was recorded here since, sent or not. */
export function useStock(page: StockPageData): StockHandle {
  const router = useRouter();
  const log = useJobLog({ jobId: STOCK_LOG, events: page.events, snapshots: NONE, cursor: page.cursor, reference: NONE });
  const told = useMemo(() => new Set(page.events.map((e) => e.id)), [page.events]);
  const fresh = useMemo(() => {
    const more = stockFromLog(log.events).filter((e) => !told.has(e.id));
    // Taken back here since the page was read: its figures still hold it, until they are read again.
    const lately = more.map((e) => ({ ...e, clock: `2${e.clock}` }));
    return foldStock([...page.baseline, ...lately]);
  }, [page.baseline, log.events, told]);
  const orders = useMemo(() => withJobLines(log.state.shop.orders, page.lines), [log.state, page.lines]);
  const shelves = useMemo(
    () => shelvesOf(fresh, page.needs, comingOf(orders, page.lines)),
    [fresh, page.needs, page.lines, orders],
  );
  // What the server has by now is read again, so that jobs' own acts and its advice are as new as this.
  const sent = log.events.length - log.unsent;
  const [readAt, setReadAt] = useState(page.events.length);
  useEffect(() => {
    if (sent <= readAt) return;
    setReadAt(sent);
    router.refresh();
  }, [sent, readAt, router]);
  useEffect(() => {
    Object.assign(document.documentElement.dataset, {
      ready: "true",
      unsent: String(log.unsent),
      last: log.state.last?.id ?? "",
    });
  }, [log.unsent, log.state.last]);
  return { log, state: fresh, shelves, orders };
}
