import { builds } from "@tests/bench";
import { POCKET, parts, reference } from "@tests/heatLids";
import { referenceRun } from "@tests/heatReference";
import { describe, expect, it } from "vitest";
import { type Act, type CoverKind, ceilingsOf, lidModel, planHeat, planHeatSteps } from ".";

describe("a plan of warming", () => {
  const strips = [{ id: "bottom", edge: "bottom", xMm: 9, yMm: 105, widthMm: 150, heightMm: 6 }] as never;
  const plastic = lidModel(parts([], POCKET, strips), { cover: "pcabs" });
  const replay = (acts: readonly Act[], cover: CoverKind, cal: number) =>
    referenceRun(
      { ...reference(cover, "rearTaped", "back"), strips: [{ id: "bottom", xMm: 9, yMm: 105, widthMm: 150, heightMm: 6 }] },
      acts,
      { cal, sampleS: 1, cellMm: 3.4, dt: 0.25 },
    );
  it.each<[string, CoverKind, Parameters<typeof planHeat>[1]]>([
    [
      "a dryer on plastic",
      "pcabs",
      {
        softC: 50,
        ceilingsC: { film: 70, surface: 85 },
        means: { by: "jet", tool: "hairDryer", nozzleC: [85, 95], standOffMm: 40 },
      },
    ],
    [
      "a mat on metal",
      "al",
      { softC: 50, ceilingsC: { film: 62, lcd: 62 }, means: { by: "mat", setC: [60, 65], widthMm: 180, heightMm: 120 } },
    ],
  ])("%s passes no ceiling when another solver replays it, and its strips are soft while they are picked", (_, cover, o) => {
    const p = planHeat(lidModel(parts([], POCKET, strips), { cover }), o);
    if (!p.ok) throw new Error(JSON.stringify(p.misses));
    expect(p.passes.length).toBeGreaterThan(0);
    expect(p.acts.filter((a) => a.do !== "rest")).toHaveLength(p.passes.length);
    expect(p.totalS).toBeCloseTo(
      p.acts.reduce((s, a) => s + ("seconds" in a ? a.seconds : 0), 0),
      6,
    );
    const runs = [0.85, 1, 1.15].map((cal) => replay(p.acts, cover, cal));
    for (const [k0, r] of runs.entries()) {
      const cal = [0.85, 1, 1.15][k0];
      for (const [k, c] of Object.entries(o.ceilingsC))
        expect(r.peaks[k as "film"].maxC, `${k} at ${cal}`).toBeLessThanOrEqual(c!);
    }
    if (p.passes.length > 1) return;
    const r = runs[1]!;
    const [from, to] = [p.passes[0]!.heatS, p.passes[0]!.heatS + p.passes[0]!.needS];
    for (const [k, t] of r.t.entries())
      if (t > from && t <= to) expect(r.tapes.bottom!.q10[k]!, `soft at ${t} s`).toBeGreaterThan(o.softC - 0.7);
  });
  it("where the quickest does not hold on finer cells a slower one is tried: a mat over pull tabs under PC-ABS", () => {
    const build = builds["ostrel-kestrel-14"]!;
    const tapes = build.tapes.map((t) => t.id);
    const cover = "pcabs" as const;
    const m = lidModel(build, { cover });
    const ceilings = ceilingsOf(build, tapes, { thrownAway: false, packInZone: false, cover });
    const ceilingsC = Object.fromEntries(ceilings.map((c) => [c.thing, c.maxC]));
    const means = { by: "mat" as const, setC: [55, 58, 60], widthMm: 330, heightMm: 220 };
    const seen: number[] = [];
    const steps = planHeatSteps(m, { softC: build.tapes[0]!.heat?.releaseC[0] ?? 50, ceilingsC, means });
    let r = steps.next();
    for (; !r.done; r = steps.next()) if (r.value.stage === "verify") seen.push(r.value.bestS!);
    if (!r.value.ok) throw new Error(JSON.stringify(r.value.misses));
    // The quicker ones came first, and did not hold.
    expect(seen.length).toBeGreaterThan(1);
    expect(Math.max(...seen)).toBe(seen.at(-1));
    for (const [k, [, hot]] of Object.entries(r.value.peaksC)) expect(hot, k).toBeLessThanOrEqual(ceilingsC[k] ?? 400);
  }, 120_000);
  it("no window is said, with what is in the way and by how much, and the nearest try", () => {
    const p = planHeat(plastic, {
      softC: 60,
      ceilingsC: { film: 40 },
      means: { by: "jet", tool: "heatGun", nozzleC: [120, 150], standOffMm: 60 },
    });
    if (p.ok) throw new Error("a window where none is");
    expect(p.verdict).toBe("noWindow");
    expect(p.misses).toMatchObject({ what: "film", unit: "K" });
    expect(p.best.passes.length).toBeGreaterThan(0);
    const weak = planHeat(plastic, { softC: 60, ceilingsC: {}, means: { by: "mat", setC: [50], widthMm: 180, heightMm: 120 } });
    expect(weak.ok).toBe(false);
    if (!weak.ok) expect(weak.misses).toMatchObject({ what: "window", unit: "s" });
  });
});
