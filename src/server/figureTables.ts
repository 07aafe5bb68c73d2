import { msOf } from "@/core/job";
import { csvText } from "@/core/shopReport";
import { readItem } from "@/core/stock";
import { allFacts } from "./facts";
import { readStock } from "./stockState";

export const TABLES_OF_FIGURES = ["jobs", "orders", "stock", "times"] as const;
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
          .filter((j) => j.orderedIso)
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
