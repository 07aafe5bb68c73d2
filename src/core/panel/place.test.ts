import { builds } from "@tests/bench";
import { pairPanel } from "@tests/fitPair";
import { seededRandom } from "@tests/randomActs";
import { runs } from "@tests/scale";
import { describe, expect, it } from "vitest";
import type { Build } from "../build";
import { compareFit, overallVerdict, type Panel } from ".";
import { nearestPlace } from "./geometry";
import { bestPlace } from "./place";
import { FIT_LIMITS } from "./rules/row";

const base = builds["ostrel-kestrel-14"]!;

interface Drawn {
  old: Panel;
  candidate: Panel;
  build: Build;
}
/** A lid and two panels drawn by chance, taped or screwed, with or without a word on where the cable comes from. */
function drawn(seed: number): Drawn {
  const r = seededRandom(seed);
  const one = (n: number) => Math.round(n * 10) / 10;
  const about = (n: number, by: number) => one(n + (r() * 2 - 1) * by);
  const pocket = { xMm: about(4, 1), yMm: about(7, 1), widthMm: about(318, 6), heightMm: about(198, 5) };
  const opening = {
    xMm: about(pocket.xMm + 4, 2),
    yMm: about(pocket.yMm + 4, 2),
    widthMm: about(309, 2),
    heightMm: about(174, 2),
  };
  const screwed = r() < 0.5;
  const tabsOf = (n: number, by: number): unknown =>
    ["left", "right"].flatMap((edge) => Array.from({ length: n }, (_, i) => [edge, about(25 + i * 70, by), 10, about(1.5, 0.4)]));
  const size = [about(315, 1.5), about(195, 1.5)] as const;
  const old = pairPanel(
    {
      outline: size,
      connectorAt: [about(228, 5), about(186, 3)],
      tabs: screwed ? tabsOf(2, 0) : [],
    },
    2,
  );
  const candidate = pairPanel(
    {
      outline: [about(size[0], 3), about(size[1], 3)],
      active: [about(309, 1.5), about(174, 1.5)],
      activeAt: [about(3, 2), about(3, 2)],
      connectorAt: [about(228, 16), about(186, 6)],
      tabs: screwed && r() < 0.8 ? tabsOf(r() < 0.5 ? 2 : 1, 0.8) : [],
    },
    2,
  );
  const build: Build = {
    ...base,
    lid: { ...base.lid, pocket, opening, panelAt: { xMm: one(pocket.xMm + 1), yMm: one(pocket.yMm + 1) } },
    connectors: base.connectors.map((c) =>
      c.serves === "picture"
        ? { ...c, slackMm: about(12, 8), comesFrom: r() < 0.5 ? { xMm: about(270, 20), yMm: about(198, 4) } : undefined }
        : c,
    ),
  };
  return { old, candidate, build };
}

/** A reader of the plain figures that knows none of the code: is this place good, all figures taken at their word? */
function goodAt({ old, candidate: c, build }: Drawn, x: number, y: number, give: number): boolean {
  const { pocket, opening, panelAt } = build.lid;
  const o = c.outline.value!;
  const a = c.active.value!;
  const at = c.activeAt!.value!;
  const e = 1e-6 + give;
  if (x < pocket.xMm - e || x + o.widthMm > pocket.xMm + pocket.widthMm + e) return false;
  if (y < pocket.yMm - e || y + o.heightMm > pocket.yMm + pocket.heightMm + e) return false;
  const hidden = [
    opening.xMm - x - at.xMm,
    opening.yMm - y - at.yMm,
    x + at.xMm + a.widthMm - opening.xMm - opening.widthMm,
    y + at.yMm + a.heightMm - opening.yMm - opening.heightMm,
  ];
  if (hidden.some((h) => h > 0.5 + e)) return false;
  const lead = build.connectors.find((k) => k.serves === "picture")!;
  const plug = { x: x + c.connectorAt.value!.xMm, y: y + c.connectorAt.value!.yMm };
  const was = { x: panelAt.xMm + old.connectorAt.value!.xMm, y: panelAt.yMm + old.connectorAt.value!.yMm };
  const from = lead.comesFrom;
  const [d, r] = from
    ? [Math.hypot(plug.x - from.xMm, plug.y - from.yMm), Math.hypot(was.x - from.xMm, was.y - from.yMm) + lead.slackMm!]
    : [Math.hypot(plug.x - was.x, plug.y - was.y), lead.slackMm!];
  if (d > r + e) return false;
  // Every tab over a boss of the old panel, or in the pocket.
  const holes = (p: Panel, dx: number, dy: number) =>
    p.tabs.value!.map((t) => ({
      edge: t.edge,
      x: dx + (t.edge === "left" ? -t.outMm / 2 : p.outline.value!.widthMm + t.outMm / 2),
      y: dy + t.atMm + t.widthMm / 2,
      out: t.outMm,
    }));
  const bosses = holes(old, panelAt.xMm, panelAt.yMm);
  return holes(c, x, y).every(
    (h) =>
      bosses.some((b) => b.edge === h.edge && Math.abs(b.x - h.x) <= 1 + e && Math.abs(b.y - h.y) <= 1 + e) ||
      (h.edge === "left" ? x - h.out >= pocket.xMm - e : x + o.widthMm + h.out <= pocket.xMm + pocket.widthMm + e),
  );
}

/** Every tenth of a millimetre of the lid. */
function anyPlace(d: Drawn, give: number): { x: number; y: number } | null {
  const { pocket } = d.build.lid;
  const o = d.candidate.outline.value!;
  for (let x = pocket.xMm - 1; x <= pocket.xMm + Math.max(0, pocket.widthMm - o.widthMm) + 1; x += 0.1)
    for (let y = pocket.yMm - 1; y <= pocket.yMm + Math.max(0, pocket.heightMm - o.heightMm) + 1; y += 0.1)
      if (goodAt(d, x, y, give)) return { x, y };
  return null;
}

describe("the place of a panel in its lid, against brute force over tenths of a millimetre", () => {
  it("none where it says none, and a good one where it says it fits", () => {
    let fits = 0;
    let none = 0;
    const n = runs(10_000);
    for (let seed = 1; seed <= n; seed++) {
      const d = drawn(seed);
      const place = bestPlace(d.old, d.candidate, d.build, FIT_LIMITS);
      if (place.state === "none") {
        none++;
        expect(anyPlace(d, 0), `seed ${seed}, by ${place.by}`).toBeNull();
      } else if (place.state === "fits") {
        fits++;
        expect(goodAt(d, place.at.xMm, place.at.yMm, 0), `seed ${seed}`).toBe(true);
      }
      // In doubt: taken as well as may be there is one.
      else expect(anyPlace(d, 0.35), `seed ${seed}`).not.toBeNull();
    }
    expect(fits).toBeGreaterThan(n / 10);
    expect(none).toBeGreaterThan(n / 10);
    // Every tenth of a millimetre of ten thousand lids: slow on a slow machine, not wrong.
  }, 300_000);
  it("is the one nearest to the middle of the opening, to a tenth of a millimetre", () => {
    for (let seed = 1; seed <= runs(400); seed++) {
      const d = drawn(seed);
      const tabless = { ...d, candidate: { ...d.candidate, tabs: { value: [], source: "D" as const } } };
      const place = bestPlace(tabless.old, tabless.candidate, tabless.build, FIT_LIMITS);
      if (place.state !== "fits") continue;
      const { opening, pocket } = d.build.lid;
      const a = d.candidate.active.value!;
      const at = d.candidate.activeAt!.value!;
      const wish = {
        x: opening.xMm + opening.widthMm / 2 - at.xMm - a.widthMm / 2,
        y: opening.yMm + opening.heightMm / 2 - at.yMm - a.heightMm / 2,
      };
      const far = (x: number, y: number) => Math.hypot(x - wish.x, y - wish.y);
      let best = Number.POSITIVE_INFINITY;
      for (let x = pocket.xMm; x <= pocket.xMm + 12; x += 0.1)
        for (let y = pocket.yMm; y <= pocket.yMm + 12; y += 0.1)
          if (goodAt(tabless, x, y, -0.15)) best = Math.min(best, far(x, y));
      if (best < 1e9) expect(far(place.at.xMm, place.at.yMm), `seed ${seed}`).toBeLessThanOrEqual(best + 0.1);
    }
  });
  it("a point of a box within a circle is as near as any of a fine grid", () => {
    const r = seededRandom(5);
    for (let i = 0; i < runs(300); i++) {
      const box = { x0: r() * 4, y0: r() * 4, x1: 4 + r() * 4, y1: 4 + r() * 4 };
      const disc = { x: r() * 12 - 2, y: r() * 12 - 2, r: r() * 6 };
      const wish = { xMm: r() * 12 - 2, yMm: r() * 12 - 2 };
      const found = nearestPlace(box, disc, wish);
      let best = Number.POSITIVE_INFINITY;
      for (let x = box.x0; x <= box.x1; x += 0.05)
        for (let y = box.y0; y <= box.y1; y += 0.05)
          if (Math.hypot(x - disc.x, y - disc.y) <= disc.r) best = Math.min(best, Math.hypot(x - wish.xMm, y - wish.yMm));
      if (!found) expect(best).toBe(Number.POSITIVE_INFINITY);
      else {
        expect(Math.hypot(found.xMm - wish.xMm, found.yMm - wish.yMm)).toBeLessThanOrEqual(best + 1e-6);
        expect(Math.hypot(found.xMm - disc.x, found.yMm - disc.y)).toBeLessThanOrEqual(disc.r + 1e-5);
      }
    }
  });
});

describe("the whole comparison of pairs drawn by chance", () => {
  it("for every stop on geometry there is no place; for every fit the place shown is one", () => {
    for (let seed = 3001; seed <= 3000 + runs(400); seed++) {
      const d = drawn(seed);
      const rows = compareFit(d.old, d.candidate, d.build);
      const stop = rows.find((r) => r.verdict === "stop" && ["window", "tabs", "connectorAt"].includes(r.field));
      if (stop) expect(anyPlace(d, 0), `seed ${seed}: ${stop.field} ${stop.words}`).toBeNull();
      else if (
        rows.every(
          (r) => !["window", "tabs", "connectorAt", "outline"].includes(r.field) || ["same", "change", "ask"].includes(r.verdict),
        )
      ) {
        const { at } = bestPlace(d.old, d.candidate, d.build, FIT_LIMITS);
        expect(goodAt(d, at.xMm, at.yMm, 0.11), `seed ${seed}`).toBe(true);
      }
    }
  });
  it("widening what a figure is known to never makes anything the same", () => {
    const FACTS = ["outline", "thicknessMm", "active", "refreshHz", "connectorAt", "activeAt"] as const;
    for (let seed = 5001; seed <= 5000 + runs(400); seed++) {
      const d = drawn(seed);
      const before = compareFit(d.old, d.candidate, d.build);
      for (const fact of FACTS)
        for (const pm of [0.2, 1, 5]) {
          const wide = { ...d.candidate, [fact]: { ...d.candidate[fact], pm } } as Panel;
          const after = compareFit(d.old, wide, d.build);
          for (const r of after)
            if (r.verdict === "same" && r.field !== "tabs")
              expect(before.find((x) => x.field === r.field)!.verdict, `seed ${seed}, ${fact} to ${pm}: ${r.field}`).toBe("same");
          if (overallVerdict(after).kind === "same") expect(overallVerdict(before).kind, `seed ${seed}, ${fact}`).toBe("same");
        }
    }
  });
  it("10,000 places take under two milliseconds each", () => {
    const all = Array.from({ length: runs(1000) }, (_, i) => drawn(9000 + i));
    const began = performance.now();
    for (const d of all) bestPlace(d.old, d.candidate, d.build, FIT_LIMITS);
    expect((performance.now() - began) / all.length).toBeLessThan(2);
  });
});
