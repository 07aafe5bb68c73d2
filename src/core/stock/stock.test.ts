import { seededRandom } from "@tests/randomActs";
import { plainBalance } from "@tests/stockReference";
import { describe, expect, it } from "vitest";
import { foldStock, StockEvent, tapeFor } from ".";

type Said = Record<string, unknown> & { type: string };
/** A log written down as a person would, one clock tick an entry. */
function log(...said: Said[]): StockEvent[] {
  return said.map((x, n) => ({
    id: `e${String(n).padStart(4, "0")}`,
    clock: String(n).padStart(6, "0"),
    device: "d",
    ...x,
    type: `stock.${x.type}`,
  })) as StockEvent[];
}
/** 120 random events with take-backs, over three items and four jobs. */
function randomLog(r: () => number, n = 120): StockEvent[] {
  const items = ["panel-a", "tape-3", "screw-m2"];
  const list: Said[] = [];
  for (let i = 0; i < n; i++) {
    const item = items[Math.floor(r() * 3)]!;
    const job = `J${Math.floor(r() * 4)}`;
    const count = 1 + Math.floor(r() * 9);
    const t = r();
    const lot = `L${Math.floor(r() * i)}`;
    if (t < 0.25)
      list.push({
        type: "received",
        item,
        lot: `L${i}`,
        count,
        expires: r() < 0.5 ? `2027-0${1 + Math.floor(r() * 9)}-01` : undefined,
      });
    else if (t < 0.3) list.push({ type: "salvaged", item, lot: `L${i}`, count, state: "pulled" });
    else if (t < 0.45) list.push({ type: "reserved", item, count, job });
    else if (t < 0.7)
      list.push({ type: "used", item, count, job: r() < 0.8 ? job : undefined, lot: r() < 0.2 ? lot : undefined });
    else if (t < 0.78) list.push({ type: "scrapped", item, count, why: "bent" });
    else if (t < 0.84) list.push({ type: "released", item, job, count: r() < 0.5 ? count : undefined });
    else if (t < 0.9) list.push({ type: "counted", lot, count: Math.floor(r() * 12), why: "weekly" });
    else if (t < 0.94) list.push({ type: "moved", lot, place: "bin 4" });
    else list.push({ type: "takenBack", eventId: `e${String(Math.floor(r() * Math.max(1, i))).padStart(4, "0")}` });
  }
  return log(...list);
}

describe("a drawer as the log tells it", () => {
  const day = log(
    { type: "received", item: "tape-3", lot: "R1", count: 25_000, place: "drawer 2", expires: "2027-05-01" },
    { type: "received", item: "tape-3", lot: "R2", count: 25_000, place: "drawer 2", expires: "2026-12-01" },
    { type: "reserved", item: "tape-3", count: 900, job: "H-1" },
    { type: "used", item: "tape-3", count: 884, job: "H-1" },
    { type: "released", item: "tape-3", job: "H-1" },
    { type: "counted", lot: "R2", count: 24_000, why: "measured" },
    { type: "used", item: "screw-m2x3", count: 2, job: "H-1" },
    { type: "salvaged", item: "tab-set", lot: "S1", count: 1, place: "bin 4", state: "pulled" },
  );
  it("earliest expiry first; a count corrects, and stays apart from use; what was not there is a breach, never less than nothing", () => {
    const s = foldStock(day);
    expect(s.lots.R2!.left).toBe(24_000);
    expect(s.lots.R1!.left).toBe(25_000);
    expect(s.items["tape-3"]).toMatchObject({
      onHand: 49_000,
      used: 884,
      corrected: 24_000 - (25_000 - 884),
      reserved: 0,
      free: 49_000,
    });
    expect(s.items["screw-m2x3"]).toMatchObject({ onHand: 0, used: 0 });
    expect(s.breaches).toEqual([{ eventId: "e0006", why: "2 of screw-m2x3 used that stock did not hold" }]);
  });
  it("a receipt taken back puts its uses in breach; a lot named goes first, whatever its age", () => {
    const back = foldStock([...day, ...log({ type: "takenBack", eventId: "e0001" }).map((e) => ({ ...e, id: "z", clock: "9" }))]);
    expect(back.lots.R2).toBeUndefined();
    // R1 gave the tape instead; the count of a lot that never was is told.
    expect(back.lots.R1!.left).toBe(25_000 - 884);
    expect(back.breaches.map((b) => b.eventId)).toEqual(["e0005", "e0006"]);
    const named = foldStock(
      log(
        { type: "received", item: "p", lot: "A", count: 2, expires: "2026-01-01" },
        { type: "received", item: "p", lot: "B", count: 2 },
        { type: "used", item: "p", count: 3, lot: "B" },
      ),
    );
    expect([named.lots.A!.left, named.lots.B!.left]).toEqual([1, 0]);
    const gone = foldStock([
      ...log({ type: "received", item: "p", lot: "A", count: 5 }, { type: "used", item: "p", count: 5, job: "H-1" }),
      { id: "x", clock: "9", type: "stock.takenBack", eventId: "e0000" },
    ]);
    expect(gone.items.p!.onHand).toBe(0);
    expect(gone.breaches).toEqual([{ eventId: "e0001", why: "5 of p used that stock did not hold" }]);
  });
  it("used 5 where the books say 3: three are taken, two are told, a count settles it", () => {
    const five = log({ type: "received", item: "p", lot: "A", count: 3 }, { type: "used", item: "p", count: 5 });
    expect(foldStock(five).items.p).toMatchObject({ onHand: 0, used: 3 });
    const settled = foldStock([...five, { id: "c", clock: "9", type: "stock.counted", lot: "A", count: 1 }]);
    expect(settled.items.p).toMatchObject({ onHand: 1, corrected: 1 });
  });
  it("reservations without stock behind them give way, the newest first, and say so", () => {
    const s = foldStock(
      log(
        { type: "received", item: "p", lot: "A", count: 3 },
        { type: "reserved", item: "p", count: 1, job: "H-1" },
        { type: "reserved", item: "p", count: 2, job: "H-2" },
        { type: "used", item: "p", count: 2, job: "H-9" },
      ),
    );
    expect(s.reserved).toEqual([{ job: "H-1", item: "p", left: 1 }]);
    expect(s.breaches).toEqual([{ eventId: "e0003", why: "H-2 lost 2 of p" }]);
  });
});

describe("on random logs of 120 events", () => {
  it("every invariant holds after every prefix, and the sums are those added up another way", () => {
    const r = seededRandom(5);
    for (let k = 0; k < 40; k++) {
      const all = randomLog(r);
      for (let n = 1; n <= all.length; n += k < 4 ? 1 : 17) {
        const s = foldStock(all.slice(0, n));
        for (const [item, x] of Object.entries(s.items)) {
          expect(x.onHand).toBe(x.received + x.salvaged + x.corrected - x.used - x.scrapped);
          expect(x.free).toBe(x.onHand - x.reserved);
          expect(Math.min(x.onHand, x.reserved, x.free)).toBeGreaterThanOrEqual(0);
          const lots = Object.values(s.lots).filter((l) => l.item === item);
          expect(lots.reduce((t, l) => t + l.left, 0)).toBe(x.onHand);
          expect(s.reserved.filter((h) => h.item === item).reduce((t, h) => t + h.left, 0)).toBe(x.reserved);
        }
        for (const l of Object.values(s.lots)) expect(l.left).toBeGreaterThanOrEqual(0);
      }
      const s = foldStock(all);
      for (const [item, want] of Object.entries(plainBalance(all)))
        expect({ onHand: s.items[item]!.onHand, reserved: s.items[item]!.reserved }, `log ${k}, ${item}`).toEqual(want);
    }
  });
  it("shuffled and repeated, it is the same state to the order of its keys", () => {
    const r = seededRandom(9);
    for (let k = 0; k < 30; k++) {
      const all = randomLog(r);
      const mixed = [...all, ...all.slice(0, 20)]
        .map((e) => [r(), e] as const)
        .sort((a, b) => a[0] - b[0])
        .map(([, e]) => e);
      expect(JSON.stringify(foldStock(mixed))).toBe(JSON.stringify(foldStock(all)));
    }
  });
  it("ten thousand events are told in a blink, and taking time grows with them, not with their square", () => {
    const r = seededRandom(3);
    const big = randomLog(r, 20_000);
    const time = (n: number) => {
      const t = performance.now();
      foldStock(big.slice(0, n));
      return performance.now() - t;
    };
    time(2000);
    const small = Math.min(time(2500), time(2500), time(2500));
    expect(time(20_000)).toBeLessThan(Math.max(small, 1) * 8 * 12);
  });
});

describe("what a cut list takes", () => {
  it("every piece with its tail and its cut, rounded up, by width", () => {
    expect(
      tapeFor([
        { widthMm: 3, lengthMm: 180, tailMm: 20 },
        { widthMm: 3, lengthMm: 92.4, tailMm: 0 },
        { widthMm: 6, lengthMm: 10, tailMm: 0 },
      ]),
    ).toEqual({ 3: 202 + 95, 6: 12 });
    expect(tapeFor([])).toEqual({});
    expect(tapeFor([{ widthMm: 3, lengthMm: 10, tailMm: 0 }], 0)).toEqual({ 3: 10 });
  });
});

describe("entries as they are read", () => {
  it("a sound one passes; one that counts nothing, or names nothing, is refused with its place", () => {
    const e = { id: "a", clock: "1", type: "stock.received", item: "p", lot: "L", count: 1 };
    expect(StockEvent.safeParse(e).success).toBe(true);
    for (const [change, where] of [
      [{ count: 0 }, "count"],
      [{ count: 1.5 }, "count"],
      [{ item: " " }, "item"],
      [{ test: "great" }, "test"],
    ] as const)
      expect(StockEvent.safeParse({ ...e, ...change }).error?.issues[0]?.path).toEqual([where]);
    expect(StockEvent.safeParse({ ...e, type: "stock.given" }).success).toBe(false);
  });
});
