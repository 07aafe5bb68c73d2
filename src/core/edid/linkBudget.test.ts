import { describe, expect, it } from "vitest";
import { type EdpInput, edpBudget, lvdsBudget } from ".";

describe("link budgets", () => {
  const input = (more: Partial<EdpInput> = {}): EdpInput => ({
    mode: { pixelClockKHz: 138_500, refreshHz: 60 },
    clockFrom: "edid",
    bitsPerPixel: 24,
    lowestClockKHz: null,
    lowerModes: [],
    board: { lanes: 2, ratesGbps: [1.62, 2.7], compression: "no" },
    cable: { lanes: 2, maxRateGbps: 2.7 },
    panel: { lanes: 2, ratesGbps: [1.62, 2.7], compression: "no" },
    ...more,
  });
  it("1920 x 1080 at 60 Hz in 24 bit needs 3.324 of 4.32 Gbit/s on two lanes of 2.7", () => {
    expect(edpBudget(input())).toMatchObject({
      verdict: "fits",
      neededGbps: 3.324,
      availableGbps: 4.32,
      marginGbps: 0.996,
      marginPercent: 23.1,
    });
  });
  it("names the member that limits", () => {
    expect(edpBudget(input({ cable: { lanes: 1, maxRateGbps: 5.4 } }))).toMatchObject({
      verdict: "fails",
      limiting: expect.stringMatching(/^cable: 1 lane;/),
    });
    expect(edpBudget(input({ cable: { lanes: 2, maxRateGbps: 1.62 } })).limiting).toMatch(/cable: 1\.62/);
    expect(edpBudget(input({ panel: { lanes: 2, ratesGbps: [1.62], compression: "no" } })).limiting).toMatch(/panel: 1\.62/);
    expect(edpBudget(input({ panel: { lanes: 2, ratesGbps: [5.4], compression: "no" } }))).toMatchObject({
      verdict: "fails",
      limiting: "no rate in common",
    });
  });
  it("two ends that both compress are never called over, one that does is not enough", () => {
    const over = { mode: { pixelClockKHz: 400_000, refreshHz: 60 } };
    const ends = (board: "yes" | "no", panel: "yes" | "no") =>
      edpBudget(
        input({
          ...over,
          board: { lanes: 2, ratesGbps: [2.7], compression: board },
          panel: { lanes: 2, ratesGbps: [2.7], compression: panel },
        }),
      );
    expect(ends("yes", "yes")).toMatchObject({ verdict: "unknown", reason: expect.stringContaining("both ends compress") });
    for (const [b, p] of [
      ["yes", "no"],
      ["no", "yes"],
      ["no", "no"],
    ] as const)
      expect(ends(b, p).verdict).toBe("fails");
  });
  it("a rate the cable just carries counts, rates that only nearly agree do not", () => {
    const rates = (board: number[], panel: number[], cable: number) =>
      edpBudget(
        input({
          board: { lanes: 2, ratesGbps: board, compression: "no" },
          panel: { lanes: 2, ratesGbps: panel, compression: "no" },
          cable: { lanes: 2, maxRateGbps: cable },
        }),
      );
    expect(rates([2.7], [2.7], 2.7).verdict).toBe("fits");
    expect(rates([2.7], [2.16], 5.4).limiting).toBe("no rate in common");
    expect(rates([1.62, 2.7], [2.7, 5.4], 2.69).limiting).toBe("no rate in common");
    expect(rates([2.43, 8.1], [2.43, 8.1], 8.1).availableGbps).toBeCloseTo(2 * 8.1 * 0.8, 6);
  });
  it("of the lower modes the fastest that fits is taken, never the same one again", () => {
    const mode = { pixelClockKHz: 400_000, refreshHz: 144 };
    const r = edpBudget(
      input({
        mode,
        lowerModes: [{ pixelClockKHz: 100_000, refreshHz: 40 }, { pixelClockKHz: 138_500, refreshHz: 60 }, mode],
      }),
    );
    expect(r).toMatchObject({ verdict: "fitsLower", runsAtHz: 60 });
    expect(edpBudget(input({ mode, lowerModes: [mode] })).verdict).toBe("fails");
  });
  it("unknown members, thin margins and guessed clocks never pass or stop", () => {
    expect(edpBudget(input({ board: { lanes: null, ratesGbps: [2.7], compression: "no" } }))).toMatchObject({
      verdict: "unknown",
      reason: expect.stringContaining("lanes of the board"),
    });
    // 4.32 Gbit/s in 24 bit is 180 MHz: 1 % under it is too thin, 3 % is not.
    expect(edpBudget(input({ mode: { pixelClockKHz: 178_200, refreshHz: 60 } })).verdict).toBe("unknown");
    expect(edpBudget(input({ mode: { pixelClockKHz: 174_600, refreshHz: 60 } })).verdict).toBe("fits");
    const over = { mode: { pixelClockKHz: 285_500, refreshHz: 120 } };
    expect(edpBudget(input(over)).verdict).toBe("fails");
    expect(edpBudget(input({ ...over, clockFrom: "guess" })).verdict).toBe("unknown");
    expect(edpBudget(input({ ...over, clockFrom: "guess", lowestClockKHz: 138_000 })).verdict).toBe("unknown");
    expect(edpBudget(input({ ...over, clockFrom: "guess", lowestClockKHz: 260_000 })).verdict).toBe("fails");
  });
  it("compression decides only when it is known, and a lower listed mode is a change", () => {
    const over = input({ mode: { pixelClockKHz: 285_500, refreshHz: 120 } });
    const with_ = (board: "yes" | "no" | "unknown", panel: "yes" | "no" | "unknown") =>
      edpBudget({ ...over, board: { ...over.board, compression: board }, panel: { ...over.panel, compression: panel } }).verdict;
    expect(with_("unknown", "yes")).toBe("unknown");
    expect(with_("unknown", "unknown")).toBe("unknown");
    expect(with_("no", "yes")).toBe("fails");
    expect(edpBudget({ ...over, lowerModes: [{ pixelClockKHz: 138_500, refreshHz: 60 }] })).toMatchObject({
      verdict: "fitsLower",
      runsAtHz: 60,
    });
  });
  it("LVDS: one pixel per clock on a single link, two on a dual", () => {
    expect(lvdsBudget(72_000, 1, "edid").verdict).toBe("fits");
    expect(lvdsBudget(97_750, 1, "edid").verdict).toBe("unknown");
    expect(lvdsBudget(138_500, 1, "edid").verdict).toBe("fails");
    expect(lvdsBudget(138_500, 1, "guess").verdict).toBe("unknown");
    expect(lvdsBudget(138_500, 2, "edid")).toMatchObject({ verdict: "fits", linkMHz: 69.25 });
    expect(lvdsBudget(138_500, null, "edid").verdict).toBe("unknown");
  });
});

describe("LVDS at its limits", () => {
  const of = (mhz: number, links: 1 | 2 | null, from: "edid" | "guess" = "edid") => lvdsBudget(mhz * 1000, links, from).verdict;
  it("85 MHz on one link is sure, 112 the most, both told of the link and not of the pixel", () => {
    expect([85, 85.01, 112, 112.01].map((m) => of(m, 1))).toEqual(["fits", "unknown", "unknown", "fails"]);
    expect([170, 170.02, 224, 224.02].map((m) => of(m, 2))).toEqual(["fits", "unknown", "unknown", "fails"]);
    expect(lvdsBudget(170_000, 2, "edid").linkMHz).toBe(85);
  });
  it("not knowing the links, what one carries fits and no more is said", () => {
    expect(of(85, null)).toBe("fits");
    expect(of(85.01, null)).toBe("unknown");
    expect(of(400, null)).toBe("unknown");
  });
  it("a guessed clock never fails", () => {
    expect(of(400, 1, "guess")).toBe("unknown");
    expect(lvdsBudget(400_000, 1, "guess").reason).toMatch(/the clock is a guess/);
    expect(lvdsBudget(100_000, 1, "edid").reason).not.toMatch(/guess/);
  });
});
