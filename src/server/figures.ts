import { shareInterval } from "@/core/chance";
import { msOf, OWN_SHELF } from "@/core/job";
import { median } from "@/core/numeric";
import { shopFigures, spreadOf } from "@/core/shopReport";
import { goodUntil, ITEM_KINDS, lotWorth, readItem } from "@/core/stock";
import { connection } from "@/data/connection";
import { listReference } from "@/data/referenceStore";
import type { FiguresPageData, SellerFigures } from "@/wire/figures";
import { calendarAddress } from "./calendar";
import { allFacts, costsBy } from "./facts";
import { readShopHours } from "./hours";
import { allCurrent, benchCards } from "./jobList";
import { readReference } from "./reference";
import { pastOrders } from "./sellers";
import { readStock } from "./stockState";

const DAY_MS = 86_400_000;
/** Lists of jobs on the page are no longer than this; the CSV has all. */
const MOST = 8;

export async function readFigures(nowMs: number): Promise<FiguresPageData> {
  // Cards that are missing or old are made first: figures speak of all jobs.
  await allCurrent();
  await benchCards();
  const [facts, ref, past, stock, calendar, terms, hours] = await Promise.all([
    allFacts(),
    readReference(),
    pastOrders(),
    readStock(),
    calendarAddress(),
    listReference(connection().db, "seller"),
    readShopHours(),
  ]);
  const rateMinorPerHour = ref.quote?.data.benchRateMinorPerHour ?? 0;
  const costs = costsBy(
    stock,
    terms.map((t) => t.data),
  );
  const { earned, ...figures } = shopFigures(facts, { nowIso: new Date(nowMs).toISOString(), rateMinorPerHour, costs });
  const told = earned.filter((e) => e.leftMinor !== null).sort((a, b) => b.leftMinor! - a.leftMinor!);
  const sellers = [...new Set(past.map((o) => o.seller))]
    .filter((s) => s !== OWN_SHELF)
    .sort()
    .map((seller): SellerFigures => {
      const own = past.filter((o) => o.seller === seller);
      const came = own.filter((o) => o.tookDays !== null);
      const of = facts.flatMap((j) => j.placed.filter((o) => o.seller === seller).map((o) => ({ o, j })));
      const good = of.filter(({ o }) => o.came && o.back === null);
      const postage = of.map(({ o }) => (o.back === "neverCame" ? 0 : costs.postageOf(o)));
      const shareOf = (times: number, jobs: string[]) => ({ of: of.length, times, ...shareInterval(times, of.length), jobs });
      const wrong = of.filter(({ o }) => o.back === "wrongPart");
      const back = of.filter(({ o }) => o.back !== null);
      return {
        seller,
        orders: of.length,
        came: came.length,
        took: spreadOf(came.map((o) => o.tookDays!)),
        quotedDays: came.length ? median(came.map((o) => o.quotedDays)) : null,
        wrong: shareOf(
          wrong.length,
          wrong.map(({ j }) => j.number),
        ),
        returned: shareOf(
          back.length,
          back.map(({ j }) => j.number),
        ),
        // What went back was paid back; its parcel was not.
        perGoodMinor: good.length
          ? Math.round(
              (good.reduce((n, { o }) => n + o.goodsMinor, 0) + postage.reduce<number>((n, p) => n + (p ?? 0), 0)) / good.length,
            )
          : null,
        postageKnown: postage.every((p) => p !== null),
        jobs: [...new Set(of.map(({ j }) => j.number))],
      };
    });
  const lots = Object.values(stock.state.lots).filter((l) => l.left > 0);
  return {
    figures: { ...figures, best: told.slice(0, MOST), worst: told.slice(-MOST).filter((e) => e.leftMinor! < 0) },
    sellers,
    lies: {
      byKind: ITEM_KINDS.flatMap((kind) => {
        const of = lots.filter((l) => readItem(l.item)?.kind === kind && l.priceMinor !== null);
        const minor = of.reduce((n, l) => n + lotWorth(l), 0);
        return minor > 0 ? [{ kind, minor, lots: of.length }] : [];
      }),
      valueMinor: lots.reduce((n, l) => n + (l.priceMinor === null ? 0 : lotWorth(l)), 0),
      unpriced: lots.filter((l) => l.priceMinor === null && readItem(l.item)?.kind !== "donor").length,
      lots: lots.length,
      expiring: lots.flatMap((l) => {
        const until = goodUntil(l, msOf);
        return until !== null && Date.parse(until) - nowMs < 60 * DAY_MS ? [{ lot: l.lot, item: l.item, expires: until }] : [];
      }),
      breaches: stock.state.breaches.length,
      tape: Object.entries(stock.state.items).flatMap(([item, i]) => {
        if (readItem(item)?.kind !== "tape") return [];
        const first = Object.values(stock.state.lots)
          .filter((l) => l.item === item)
          .reduce((m, l) => Math.min(m, msOf(l.since)), nowMs);
        const days = (nowMs - first) / DAY_MS;
        const perDay = days >= 14 ? i.used / days : 0;
        return [{ item, leftMm: i.onHand, days: perDay > 0 ? Math.round(i.onHand / perDay) : null }];
      }),
    },
    sure: hours.sure,
    currency: ref.quote?.data.currency ?? "EUR",
    calendar,
    nowMs,
  };
}
