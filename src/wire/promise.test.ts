import { describe, expect, it } from "vitest";
import { calendarOf, DEFAULT_HOURS, withEvenings } from "@/core/promise";
import type { JobCard } from "./jobCard";
import { fromShop, promiseAsks } from "./promise";

const card = (x: Partial<JobCard>): JobCard =>
  ({
    id: "a",
    promiseAt: null,
    first: false,
    closed: null,
    putOff: null,
    shelf: "ready",
    minutesLeft: { p50: 60, p80: 80 },
    order: null,
    glass: false,
    ...x,
  }) as JobCard;
const now = new Date(2026, 10, 30, 10, 0).getTime();
const order = { placedIso: new Date(2026, 10, 28, 9, 0).toISOString(), p50Days: 4, p80Days: 6 };

describe("what a date is told from", () => {
  it("only of jobs whose panel is here or ordered, open and not put off", () => {
    const cards = [
      card({ id: "here" }),
      card({ id: "ordered", shelf: "waiting", order }),
      card({ id: "waits for nobody knows what", shelf: "waiting" }),
      card({ id: "no panel", shelf: "decision" }),
      card({ id: "closed", closed: "handedOver" }),
      card({ id: "put off", putOff: { untilIso: null, why: "away" } }),
    ];
    expect(promiseAsks(cards, DEFAULT_HOURS, now).asks.map((a) => a.id)).toEqual(["here", "ordered"]);
  });
  it("on the shop's clock: now, the promise, and an order of two days ago", () => {
    const promiseAt = new Date(2026, 11, 2, 16, 30).toISOString();
    const { asks, zero } = promiseAsks([card({ shelf: "waiting", order, promiseAt })], DEFAULT_HOURS, now);
    expect(asks[0]!.input.nowMin).toBe(600);
    expect(asks[0]!.dueMin).toBe(2 * 1440 + 990);
    expect(asks[0]!.input.order).toMatchObject({ placedMin: -2 * 1440 + 540, p50Days: 4, p80Days: 6 });
    // Back again, on every day of a year, whatever the clocks do in spring and autumn.
    for (let d = 0; d < 370; d++) {
      const at = new Date(fromShop(d * 1440 + 615, zero));
      expect([at.getHours(), at.getMinutes()]).toEqual([10, 15]);
    }
  });
  it("what can be worked at and is promised before it stands ahead of it, never itself or what waits", () => {
    const at = (h: number) => new Date(2026, 11, 1, h).toISOString();
    const cards = [
      card({ id: "mine", promiseAt: at(15) }),
      card({ id: "first", promiseAt: at(12), minutesLeft: { p50: 30, p80: 40 } }),
      card({ id: "later", promiseAt: at(17), minutesLeft: { p50: 500, p80: 700 } }),
      card({ id: "waits", promiseAt: at(9), shelf: "waiting", order, minutesLeft: { p50: 500, p80: 700 } }),
    ];
    const { asks } = promiseAsks(cards, DEFAULT_HOURS, now);
    const ahead = (id: string) => asks.find((a) => a.id === id)!.input.ahead.p50;
    expect(ahead("first")).toBe(0);
    expect(ahead("mine")).toBeGreaterThan(25);
    expect(ahead("mine")).toBeLessThan(40);
  });
  it("another panel, another seller and a machine to lend are ways only where there are such; a difference the customer is asked about weighs", () => {
    const promiseAt = new Date(2026, 11, 2, 16, 30).toISOString();
    const late = card({ shelf: "waiting", order, promiseAt });
    const other = { seller: "Norrow Parts", extraMinor: -700, p50Days: 1, p80Days: 1.5 };
    const ways = (sooner: Parameters<typeof promiseAsks>[3], lend: number, c = late) =>
      promiseAsks([c], { ...DEFAULT_HOURS, lend }, now, sooner).asks[0]!.options;
    const ids = (list: ReturnType<typeof ways>) => list.map((o) => o.id);
    expect(ids(ways({}, 0))).toEqual(["evening", "call"]);
    expect(ids(ways({ a: { seller: other, panel: { ...other, code: "GV140FHB-K36", asks: true } } }, 1))).toEqual([
      "otherSeller",
      "otherPanel",
      "evening",
      "loan",
      "call",
    ]);
    const panel = (asks: boolean) => ways({ a: { panel: { ...other, code: "X", asks } } }, 0).find((o) => o.id === "otherPanel")!;
    expect(panel(true).hurtsMinor! - panel(false).hurtsMinor!).toBe(1500);
    // Cheaper is cheaper; and it is ordered now, not when the first was.
    expect(panel(false).extraMinor).toBe(-700);
    expect(panel(false).change.order).toMatchObject({ placedMin: 600, p50Days: 1, p80Days: 1.5 });
    // What the shop said of such a finish is what it weighs.
    const said = { ...DEFAULT_HOURS, costs: { ...DEFAULT_HOURS.costs, finishMinor: 2300, lateMinorPerDay: 50 } };
    const ask = promiseAsks([late], said, now, { a: { panel: { ...other, code: "X", asks: true } } }).asks[0]!;
    expect(ask.options.find((o) => o.id === "otherPanel")!.hurtsMinor).toBe(2300);
    expect(ask.lateMinorPerDay).toBe(50);
    // A panel that is here needs no other.
    expect(ids(ways({ a: { seller: other } }, 0, card({ promiseAt })))).toEqual(["evening", "call"]);
  });
  it("what is taken first stands before what was promised earlier, and waits for nothing but others taken first", () => {
    const at = (h: number) => new Date(2026, 11, 1, h).toISOString();
    const cards = [
      card({ id: "early", promiseAt: at(9), first: false, minutesLeft: { p50: 200, p80: 240 } }),
      card({ id: "late", promiseAt: at(16), first: true, minutesLeft: { p50: 100, p80: 120 } }),
    ];
    const { asks } = promiseAsks(cards, DEFAULT_HOURS, now);
    const ahead = (id: string) => asks.find((a) => a.id === id)!.input.ahead.p50;
    expect(ahead("late")).toBe(0);
    expect(ahead("early")).toBeGreaterThan(80);
  });
  it("staying late is offered for the days taking it sets, over a weekend too", () => {
    const friday = new Date(2026, 11, 4, 16, 0).getTime();
    const { asks } = promiseAsks([card({ promiseAt: new Date(friday).toISOString() })], DEFAULT_HOURS, friday);
    const evening = asks[0]!.options.find((o) => o.id === "evening")!.change.windows!;
    const taken = calendarOf(withEvenings(DEFAULT_HOURS, "2026-12-04"), "2026-12-04", 400).windows;
    expect(evening).toEqual(taken);
    expect(taken.slice(0, 4).map(([, b]) => b % 1440)).toEqual([750, 1260, 750, 1260]);
  });
  it("the same job in the same state has the same seed; another plan another", () => {
    const seed = (c: JobCard) => promiseAsks([c], DEFAULT_HOURS, now).asks[0]!.seed;
    expect(seed(card({}))).toBe(seed(card({})));
    expect(seed(card({ minutesLeft: { p50: 61, p80: 80 } }))).not.toBe(seed(card({})));
  });
});
