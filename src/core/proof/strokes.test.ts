import { seededRandom } from "@tests/randomActs";
import { describe, expect, it } from "vitest";
import {
  guidesOf,
  heldFingers,
  judgeTouch,
  readTouchCode,
  strokeFigures,
  type TouchResult,
  type TouchSample,
  touchCode,
} from ".";

const [W, H] = [309, 174];
/** A finger from one place to another, 60 samples a second, with a wobble across its way. */
function stroke(
  from: readonly [number, number],
  to: readonly [number, number],
  o: { wobble?: number; s?: number; hole?: [number, number]; id?: number } = {},
): TouchSample[] {
  const n = Math.round((o.s ?? 3) * 60);
  const l = Math.hypot(to[0] - from[0], to[1] - from[1]);
  const [nx, ny] = [-(to[1] - from[1]) / l, (to[0] - from[0]) / l];
  return Array.from({ length: n + 1 }, (_, i) => {
    const f = i / n;
    const off = (o.wobble ?? 0) * Math.sin(f * 62 * Math.PI);
    return {
      xMm: from[0] + f * (to[0] - from[0]) + off * nx,
      yMm: from[1] + f * (to[1] - from[1]) + off * ny,
      tS: i / 60,
      id: o.id ?? 1,
    };
  }).filter((_, i) => !o.hole || i / n < o.hole[0] || i / n > o.hole[1]);
}

describe("ruled lines", () => {
  it("a stroke is told by the line it follows, either way, and by no line where it is none", () => {
    for (const g of guidesOf(W, H)) {
      expect(strokeFigures(stroke(g.from, g.to), W, H).guide, g.id).toBe(g.id);
      expect(strokeFigures(stroke(g.to, g.from), W, H).guide, g.id).toBe(g.id);
    }
    expect(strokeFigures(stroke([10, 87], [299, 87]), W, H).guide).toBeNull();
    expect(strokeFigures(stroke([10, 10], [60, 10]), W, H).guide).toBeNull();
    expect(strokeFigures([], W, H).guide).toBeNull();
  });
  it("a wobble is found at its size, as worst and as RMS; a slanted ruler is no wobble", () => {
    for (const wobble of [0.3, 1, 2]) {
      const f = strokeFigures(stroke([10, 10], [299, 13], { wobble }), W, H);
      expect(f.guide).toBe("top");
      expect(Math.abs(f.worstMm / wobble - 1)).toBeLessThan(0.06);
      expect(Math.abs((f.rmsMm * Math.SQRT2) / wobble - 1)).toBeLessThan(0.06);
    }
    expect(strokeFigures(stroke([10, 10], [299, 18]), W, H).worstMm).toBeLessThan(1e-6);
  });
  it("a hole in a stroke is a gap; a slow finger is none; the rate is the middle time", () => {
    const holed = strokeFigures(stroke([10, 10], [299, 10], { hole: [0.4, 0.5] }), W, H);
    expect(holed.gapS).toBeGreaterThan(0.25);
    expect(holed.intervalS).toBeCloseTo(1 / 60, 3);
    const slow = stroke([10, 10], [299, 10]).map((p, i) => ({ ...p, tS: p.tS + (i > 60 ? 2 : 0) }));
    expect(strokeFigures(slow, W, H).gapS).toBe(0);
  });
  it("comes in from the side it began at, and from none where it only runs along it", () => {
    expect(strokeFigures(stroke([1, 90], [60, 90]), W, H).cameInFrom).toBe("left");
    expect(strokeFigures(stroke([W - 1, 90], [200, 80]), W, H).cameInFrom).toBe("right");
    expect(strokeFigures(stroke([150, 1], [150, 60]), W, H).cameInFrom).toBe("top");
    expect(strokeFigures(stroke([150, H - 1], [150, 90]), W, H).cameInFrom).toBe("bottom");
    expect(strokeFigures(stroke([20, 90], [90, 90]), W, H).cameInFrom).toBeNull();
    expect(strokeFigures(stroke([1, 90], [15, 90]), W, H).cameInFrom).toBeNull();
  });
});

describe("fingers that lie still", () => {
  const still = (id: number, atS: number, jitter = 0, upS: number | null = null) => {
    const r = seededRandom(id);
    const at = [40 * id, 90];
    const noise = () => jitter * (r() + r() + r() - 1.5) * 2;
    return {
      id,
      upS,
      samples: Array.from({ length: 180 }, (_, i) => ({ xMm: at[0]! + noise(), yMm: at[1]! + noise(), tS: atS + i / 60, id })),
    };
  };
  it("counts those that lay for two seconds together, and no finger that was lifted or came late", () => {
    expect(heldFingers([still(1, 0), still(2, 0.2), still(3, 0.4)], 3).count).toBe(3);
    expect(heldFingers([still(1, 0), still(2, 1.5)], 3).count).toBe(1);
    expect(heldFingers([still(1, 0), still(2, 0, 0, 2)], 3).count).toBe(1);
    expect(heldFingers([], 3)).toEqual({ count: 0, jitterMm: null });
  });
  it("a finger nothing is told of any more lies as still as can be; a trembling one is measured", () => {
    expect(heldFingers([{ id: 1, samples: [{ xMm: 5, yMm: 5, tS: 0, id: 1 }], upS: null }], 3).jitterMm).toBe(0);
    const j = heldFingers([still(1, 0, 0.5)], 3).jitterMm!;
    // Sum of three even draws in (-.5, .5), doubled and halved: sd 0.5 a side, 0.71 in both.
    expect(j).toBeGreaterThan(0.55);
    expect(j).toBeLessThan(0.85);
  });
});

const whole: TouchResult = { coveredPerMille: 1000, missed: 0, columns: 0, rows: 0, watchedS: 1900, ghosts: 0 };
const lines = {
  insideMm: 0.8,
  edgeMm: 1.9,
  rmsMm: 0.4,
  jitterMm: 0.2,
  fingers: 5,
  ofFingers: 5,
  sides: [true, true, true, true] as const,
  slow: false,
};

describe("the longer code", () => {
  it("says lines and fingers again, what was not tried as not tried, and what is too large as the largest", () => {
    for (const l of [
      lines,
      { ...lines, insideMm: null, jitterMm: null, sides: [true, false, true, false] as const, slow: true },
      { ...lines, fingers: 0, ofFingers: 1, edgeMm: 0, rmsMm: null },
    ]) {
      const code = touchCode({ ...whole, lines: l });
      expect(code.replaceAll("-", "").length).toBe(19);
      expect(readTouchCode(code.toLowerCase())).toEqual({ ok: true, result: { ...whole, lines: l } });
    }
    const far = readTouchCode(touchCode({ ...whole, lines: { ...lines, insideMm: 40, rmsMm: 9 } }));
    expect(far).toMatchObject({ ok: true, result: { lines: { insideMm: 6.2, rmsMm: 1.4 } } });
  });
  it("one character wrong is noticed everywhere", () => {
    const code = touchCode({ ...whole, lines }).replaceAll("-", "");
    for (let i = 0; i < code.length; i++)
      for (const c of "0123456789ABCDEFGHJKMNPQRSTVWXYZ")
        if (c !== code[i]) expect(readTouchCode(code.slice(0, i) + c + code.slice(i + 1)).ok, `${i} ${c}`).toBe(false);
  });
});

describe("what a touch test says", () => {
  it("passes what is within, says what was not tried, fails what is dead", () => {
    expect(judgeTouch({ ...whole, lines })).toMatchObject({ verdict: "pass", again: [] });
    expect(judgeTouch(whole).words).toContain("lines and fingers not tried");
    expect(judgeTouch(whole).verdict).toBe("pass");
    expect(judgeTouch({ ...whole, columns: 1 }).verdict).toBe("fail");
    expect(judgeTouch({ ...whole, coveredPerMille: 900 }).verdict).toBe("fail");
    expect(judgeTouch({ ...whole, watchedS: 600 }).verdict).toBe("unclear");
  });
  it("a slip of the hand is asked for again, twice the limit is the glass", () => {
    const slip = judgeTouch({ ...whole, lines: { ...lines, insideMm: 2.1 } });
    expect(slip.verdict).toBe("unclear");
    expect(slip.again.join()).toMatch(/2\.1 mm, 1\.5 at most: again, slowly, along a ruler/);
    expect(judgeTouch({ ...whole, lines: { ...lines, insideMm: 3.4 } }).verdict).toBe("fail");
    expect(judgeTouch({ ...whole, lines: { ...lines, edgeMm: 2.4 } }).verdict).toBe("pass");
    expect(judgeTouch({ ...whole, lines: { ...lines, jitterMm: 1.2 } }).verdict).toBe("fail");
  });
  it("a finger short, a side shut and late samples are things to do, never a verdict", () => {
    const r = judgeTouch({ ...whole, lines: { ...lines, fingers: 4, sides: [true, true, false, true], slow: true } });
    expect(r.verdict).toBe("unclear");
    expect(r.again.join("\n")).toMatch(/4 of 5 fingers[\s\S]*Nothing came in from top[\s\S]*Samples come late/);
  });
});
