import { readItem } from "../../stock/items";
import { type Answer, no } from "../answer";
import { msOf, placeOf } from "../clock";
import type { RulesOf } from "../rule";
import type { JobState } from "../state";
import type { stockPayloads } from "./payloads";

const DAY_MS = 86_400_000;

const known = (item: string): Answer =>
  readItem(item)
    ? null
    : no("stock", `"${item}" does not say what kind of thing it is: panel/CODE, tape/3x0.5, screw/M2x3 wafer or part/NAME.`);

/** The line of an order something came for. */
function lineOf(s: JobState, orderLine: string) {
  for (const o of Object.values(s.shop.orders)) {
    const line = o.lines.find((l) => l.line === orderLine);
    if (line) return { o, line };
  }
  return null;
}

export const stockRules = {
  "stock.received": {
    name: "what came in",
    on: "desk",
    stock: true,
    may: (p, { s }) => {
      const wrong = known(p.item);
      if (wrong) return wrong;
      if (s.shop.lots[p.lot]) return no("stock", `${p.lot} is on record already: count it instead.`);
      if (p.orderLine === undefined) return null;
      const at = lineOf(s, p.orderLine);
      if (!at) return no("stock", `No order has a line "${p.orderLine}".`);
      return at.o.over[p.orderLine] ? no("stock", `Line "${p.orderLine}" was ${at.o.over[p.orderLine]}.`) : null;
    },
    apply: (s, p) => {
      s.shop.lots[p.lot] = p.item;
      const at = p.orderLine === undefined ? null : lineOf(s, p.orderLine);
      if (at) at.line.came += p.count;
    },
  },
  "stock.salvaged": {
    name: "what was taken from a donor",
    on: "desk",
    stock: true,
    may: (p, { s }) =>
      known(p.item) ?? (s.shop.lots[p.lot] ? no("stock", `${p.lot} is on record already: count it instead.`) : null),
    apply: (s, p) => {
      s.shop.lots[p.lot] = p.item;
    },
  },
  "stock.reserved": { name: "what is kept for a job", on: "desk", stock: true, may: (p) => known(p.item), apply: () => {} },
  "stock.released": { name: "what is no longer kept", on: "desk", stock: true, apply: () => {} },
  "stock.used": { name: "what was used", on: "desk", stock: true, may: (p) => known(p.item), apply: () => {} },
  "stock.scrapped": { name: "what was thrown away", on: "desk", stock: true, may: (p) => known(p.item), apply: () => {} },
  "stock.counted": { name: "a count", on: "desk", stock: true, may: (p) => known(p.item), apply: () => {} },
  "stock.moved": { name: "a place changed", on: "desk", stock: true, apply: () => {} },
  "stock.ordered": {
    name: "an order of the shop",
    on: "desk",
    stock: true,
    spends: true,
    may: (p, { s }) => {
      if (s.shop.orders[p.order]) return no("stock", `${p.order} was placed already.`);
      for (const l of p.lines) {
        const wrong = known(l.item);
        if (wrong) return wrong;
        if (lineOf(s, l.line)) return no("stock", `A line "${l.line}" stands in another order.`);
      }
      return null;
    },
    apply: (s, p, { e }) => {
      s.shop.orders[p.order] = {
        seller: p.seller,
        clock: placeOf(e),
        dueDays: p.dueDays,
        days: p.days ?? null,
        currency: p.currency,
        postageMinor: p.postageMinor,
        is: "placed",
        lines: p.lines.map((l) => ({ ...l, job: l.job ?? null, came: 0 })),
        over: {},
      };
    },
  },
  "stock.orderMoved": {
    name: "what became of an order",
    on: "desk",
    stock: true,
    may: (p, { s }) => {
      const o = s.shop.orders[p.order];
      if (!o) return no("stock", `There is no order ${p.order}.`);
      const strange = p.lines?.find((x) => !o.lines.some((l) => l.line === x));
      if (strange !== undefined) return no("stock", `${p.order} has no line "${strange}".`);
      const ended = p.lines?.find((x) => o.over[x]);
      if (ended !== undefined) return no("stock", `Line "${ended}" was ${o.over[ended]}.`);
      const open = o.lines.filter((l) => !o.over[l.line] && l.came < l.count);
      if (p.is !== "returned" && open.length === 0) return no("stock", `Nothing of ${p.order} is on its way any more.`);
      return p.is === "returned" && !o.lines.some((l) => l.came > 0) ? no("stock", `Nothing of ${p.order} came yet.`) : null;
    },
    apply: (s, p, { e }) => {
      const o = s.shop.orders[p.order];
      if (!o) return;
      if (p.is === "confirmed" || p.is === "shipped") {
        o.is = p.is;
        if (p.inDays === undefined) return;
        // His newest word counts from when he gave it; what his parcels usually take over it stays.
        const since = Math.max(0, (msOf(e.clock) - msOf(o.clock)) / DAY_MS);
        const over = o.days ? o.days.p80 / Math.max(1, o.days.p50) : 1.4;
        o.dueDays = Math.ceil(since + p.inDays);
        o.days = { p50: since + p.inDays, p80: since + p.inDays * Math.max(1, over) };
        return;
      }
      for (const l of o.lines) {
        const meant = p.lines ? p.lines.includes(l.line) : p.is === "returned" ? l.came > 0 : l.came < l.count;
        if (meant) o.over[l.line] = p.is;
      }
    },
  },
} satisfies RulesOf<typeof stockPayloads>;
