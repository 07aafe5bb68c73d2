import { msOf, stockFromLog } from "@/core/job";
import { csvText } from "@/core/shopReport";
import { inOrder, readItem, type StockEvent } from "@/core/stock";
import { connection } from "@/data/connection";
import { stockOfJobs } from "@/data/jobListStore";
import { allFacts } from "./facts";
import { readStock } from "./stockState";

export const TABLES_OF_FIGURES = ["jobs", "orders", "stock", "moves", "times"] as const;
export type TableOfFigures = (typeof TABLES_OF_FIGURES)[number];

/** A table of the shop as CSV: what the figures stand on. No customer words. */
export async function tableCsv(of: TableOfFigures): Promise<string> {
  const facts = await allFacts();
  if (of === "jobs")
    return csvText(
      [
        "job",
        "machine",
        "family",
        "panel",
        "seller",
        "outcome",
        "opened",
        "promised",
        "closed",
        "price_minor",
        "parts_minor",
        "currency",
        "returns",
        "lifts",
        "came_back_after",
      ],
      facts.map((j) => [
        j.number,
        j.machine,
        j.family,
        j.code,
        j.seller,
        j.outcome,
        j.openedIso,
        j.promisedIso,
        j.closedIso,
        j.priceMinor,
        j.partsMinor,
        j.currency,
        j.returns,
        j.lifts,
        j.cameBack,
      ]),
    );
  if (of === "times")
    return csvText(
      ["job", "opened", "decided", "ordered", "arrived", "begun", "closed", "hands_min", "planned_min"],
      facts.map((j) => [
        j.number,
        j.openedIso,
        j.decidedIso,
        j.orderedIso,
        j.arrivedIso,
        j.begunIso,
        j.closedIso,
        Math.round(j.handsMin * 10) / 10,
        j.plannedMin === null ? null : Math.round(j.plannedMin * 10) / 10,
      ]),
    );
  if (of === "moves") return movesCsv();
  const { orders, state } = await readStock();
  if (of === "orders")
    return csvText(
      ["order", "line", "seller", "placed", "item", "count", "price_minor", "currency", "job", "came", "ended"],
      [
        ...Object.entries(orders).flatMap(([id, o]) =>
          o.lines.map((l) => [
            id,
            l.line,
            o.seller,
            new Date(msOf(o.clock)).toISOString(),
            l.item,
            l.count,
            l.priceMinor,
            o.currency,
            l.job,
            l.came,
            o.over[l.line] ?? null,
          ]),
        ),
        ...facts
          // A line of an order of the shop stands above.
          .filter((j) => j.orderedIso && !j.placed.at(-1)?.line)
          .map((j) => [
            j.number,
            j.number,
            j.seller,
            j.orderedIso,
            `panel/${j.code ?? ""}`,
            1,
            j.partsMinor,
            j.currency,
            j.number,
            j.arrivedIso ? 1 : 0,
            null,
          ]),
      ],
    );
  return csvText(
    ["lot", "item", "left", "unit", "place", "state", "tested", "good_until", "price_minor", "came_in", "counted"],
    Object.values(state.lots).map((l) => [
      l.lot,
      l.item,
      l.left,
      readItem(l.item)?.kind === "tape" ? "mm" : "piece",
      l.place,
      l.state,
      l.test,
      l.expires,
      l.priceMinor,
      new Date(msOf(l.since)).toISOString(),
      l.counted === null ? null : new Date(msOf(l.counted)).toISOString(),
    ]),
  );
}

/** Every move of the stock as it counts, in order: what came in, was kept, used, thrown away, counted, moved; by a job or by hand. */
async function movesCsv(): Promise<string> {
  const { own } = await readStock();
  const told = (await stockOfJobs(connection().db, null)).flatMap((r) => JSON.parse(r.stock) as StockEvent[]);
  return csvText(
    ["at", "what", "item", "count", "unit", "lot", "job", "place", "price_minor"],
    inOrder([...told, ...stockFromLog(own.events)]).map((e) => {
      const has = e as Partial<Record<"item" | "lot" | "job" | "place", string>> & { count?: number; priceMinor?: number };
      return [
        new Date(msOf(e.clock)).toISOString(),
        e.type.slice("stock.".length),
        has.item ?? null,
        has.count ?? null,
        has.item === undefined ? null : readItem(has.item)?.kind === "tape" ? "mm" : "piece",
        has.lot ?? null,
        has.job ?? null,
        has.place || null,
        has.priceMinor ?? null,
      ];
    }),
  );
}
