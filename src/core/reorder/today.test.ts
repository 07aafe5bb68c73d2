import { describe, expect, it } from "vitest";
import { BUY_RULES, type BuyItem, buyToday } from ".";

const lead = { p50Days: 3, p80Days: 5 };
const sellers = [
  { id: "x", postageMinor: 490, freeFromMinor: null },
  { id: "y", postageMinor: 300, freeFromMinor: 6000 },
];
const offer = (seller: string, priceMinor: number, days = lead) => ({ seller, priceMinor, lead: days });
const item = (name: string, more: Partial<BuyItem>): BuyItem => ({
  item: name,
  must: 0,
  pack: 1,
  offers: [offer("x", 5000)],
  ...more,
});
const shelf = (occasions: number, position: number) => ({ occasions, days: 180, priorRate: 1 / 60, position, running: true });

describe("what to buy today", () => {
  it("what a job waits for is bought, in whole packs, from the cheapest with its postage", () => {
    const b = buyToday({
      items: [item("tape/3x0.5", { must: 700, pack: 10_000, offers: [offer("x", 960), offer("y", 1000)] })],
      sellers,
      rules: BUY_RULES,
    });
    // 960 + 490 at x, 1000 + 300 at y.
    expect(b.lines).toMatchObject([{ seller: "y", packs: 1, priceMinor: 1000, forJobs: 700, forShelf: 9300 }]);
    expect(b.totalMinor).toBe(1300);
  });
  it("days late are money: the cheaper seller who is slow loses for a job, not for the shelf", () => {
    const slow = offer("y", 4000, { p50Days: 12, p80Days: 15 });
    const forJob = buyToday({
      items: [item("panel/A", { must: 1, offers: [offer("x", 5000), slow] })],
      sellers,
      rules: BUY_RULES,
    });
    expect(forJob.lines[0]!.seller).toBe("x");
    const forShelf = buyToday({
      items: [item("panel/A", { shelf: shelf(5, 0), offers: [offer("x", 5000), slow] })],
      sellers,
      rules: BUY_RULES,
    });
    expect(forShelf.lines[0]!.seller).toBe("y");
  });
  it("one asked for often is kept, one asked for once in 400 days is not, and each says what it would cost", () => {
    const b = buyToday({
      items: [
        item("panel/OFTEN", { offers: [offer("x", 3950)], shelf: shelf(5, 1) }),
        item("panel/SELDOM", { offers: [offer("x", 9900)], shelf: { ...shelf(0, 0), days: 400, priorRate: 1 / 400 } }),
        item("panel/NOBODY", { offers: [], shelf: shelf(5, 0), must: 1 }),
      ],
      sellers,
      rules: BUY_RULES,
    });
    expect(b.lines).toEqual([]);
    expect(Object.fromEntries(b.advice.map((a) => [a.item, a.is]))).toEqual({
      "panel/OFTEN": "enough",
      "panel/SELDOM": "doNotStock",
      "panel/NOBODY": "noSeller",
    });
    const [often, seldom] = b.advice;
    expect(often!.perYearMinor).toBeLessThan(often!.noneMinor);
    expect(seldom!.perYearMinor).toBe(seldom!.noneMinor);
  });
  it("with nothing due no parcel goes out, however the shelves stand", () => {
    expect(buyToday({ items: [item("panel/A", { shelf: shelf(5, 1) })], sellers, rules: BUY_RULES }).parcels).toEqual([]);
  });
  it("the free limit is reached by what is needed together, and is no postage", () => {
    const b = buyToday({
      items: [
        item("panel/A", { must: 1, offers: [offer("x", 3000), offer("y", 3100)] }),
        item("panel/B", { must: 1, offers: [offer("x", 3200), offer("y", 3000)] }),
      ],
      sellers,
      rules: BUY_RULES,
    });
    expect(b.parcels).toMatchObject([{ seller: "y", goodsMinor: 6100, postageMinor: 0 }]);
    expect(b.totalMinor).toBe(6100);
    // In two parcels the same things: A at x with its postage, B at y with its own.
    expect(b.otherwise).toEqual({ parcels: 2, totalMinor: 3000 + 490 + 3000 + 300 });
  });
  it("is never dearer than any other choice of sellers, tried out one by one; long lists too", () => {
    let seed = 11;
    const u = () => {
      seed = (seed * 1103515245 + 12345) % 2147483648;
      return seed / 2147483648;
    };
    for (let round = 0; round < 40; round++) {
      const n = 1 + Math.floor(u() * 6);
      const items = Array.from({ length: n }, (_, k) =>
        item(`part/${k}`, {
          must: 1,
          offers: ["x", "y"].filter(() => u() < 0.85).map((s) => offer(s, 500 + Math.floor(u() * 4000))),
        }),
      ).filter((i) => i.offers.length);
      const b = buyToday({ items, sellers, rules: BUY_RULES });
      let best = Number.POSITIVE_INFINITY;
      for (let pick = 0; pick < 1 << items.length; pick++) {
        const goods: Record<string, number> = { x: 0, y: 0 };
        let ok = true;
        for (const [k, i] of items.entries()) {
          const o = i.offers.find((f) => f.seller === (pick & (1 << k) ? "x" : "y"));
          if (o) goods[o.seller]! += o.priceMinor;
          else ok = false;
        }
        if (!ok) continue;
        let sum = goods.x! + goods.y!;
        if (goods.x! > 0) sum += 490;
        if (goods.y! > 0 && goods.y! < 6000) sum += 300;
        best = Math.min(best, sum);
      }
      expect(b.totalMinor, `round ${round}`).toBe(items.length ? best : 0);
    }
    const many = Array.from({ length: 40 }, (_, k) =>
      item(`part/${k}`, { must: 1, offers: [offer("x", 900 + k), offer("y", 930)] }),
    );
    const t = performance.now();
    const b = buyToday({ items: many, sellers, rules: BUY_RULES });
    expect(performance.now() - t).toBeLessThan(2000);
    expect(b.lines).toHaveLength(40);
    // All at y: 40 x 930 without postage; split: 30 cheaper at x by up to 30 each, but 4.90 of postage.
    const split = Array.from({ length: 40 }, (_, k) => Math.min(900 + k, 930)).reduce((a, c) => a + c, 0) + 490;
    expect(b.totalMinor).toBe(Math.min(40 * 930, split));
  });
});
