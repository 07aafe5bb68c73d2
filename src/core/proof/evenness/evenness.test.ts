import { photoOf, type Shot, type TruePanel, trueRatio, trueShift } from "@tests/panelPhoto";
import { describe, expect, it } from "vitest";
import { type Evenness, measureEvenness, type Photo, POINTS, responseFromSteps, SCHEMES, stepsOff, suggestCorners } from "..";

const panel: TruePanel = { widthMm: 310, heightMm: 174, slope: [0.06, -0.05], falls: [0.12, 0.09] };
const size = { widthMm: panel.widthMm, heightMm: panel.heightMm };
/** Two and a half widths away, a normal phone lens; the lit area takes about half the frame. */
const still: Omit<Shot, "seed"> = {
  width: 1000,
  height: 750,
  at: [15, -10, 620],
  aim: [0, 0],
  focalPx: 960,
  lens: [-0.3, -0.08],
};
const leftHigh: Shot = { ...still, aim: [62, 48], seed: 41 };
const rightLow: Shot = { ...still, aim: [-58, -46], seed: 42 };
const two = (p: TruePanel, o: Partial<Shot> = {}) => [photoOf(p, { ...leftHigh, ...o }), photoOf(p, { ...rightLow, ...o })];
const worst = (a: readonly (readonly number[])[], b: readonly (readonly number[])[]) =>
  Math.max(...a.map((p, i) => Math.hypot(p[0]! - b[i]![0]!, p[1]! - b[i]![1]!)));
function good(e: Evenness): Extract<Evenness, { ok: true }> {
  if (!e.ok) throw new Error(e.words);
  return e;
}

describe("corners", () => {
  it("plain scene: within half a pixel of where they truly lie, and sure of it", () => {
    for (const s of [leftHigh, rightLow, { ...still, rollDeg: 7, seed: 5 }]) {
      const p = photoOf(panel, s);
      const c = suggestCorners(p)!;
      expect(worst(c.corners, p.truth)).toBeLessThan(0.5);
      expect(c.confidence).toBeGreaterThan(0.9);
    }
  });
  it("tilted, a lit room, a lamp mirrored over an edge: within one and a half", () => {
    const p = photoOf(panel, {
      ...still,
      at: [120, 150, 600],
      rollDeg: -4,
      room: 0.05,
      noise: 0.02,
      lamps: [
        { x: 157, y: -32, r: 24, light: 0.5 },
        { x: -215, y: -110, r: 18, light: 0.9 },
      ],
      seed: 6,
    });
    expect(worst(suggestCorners(p)!.corners, p.truth)).toBeLessThan(1.5);
  });
  it("null, not nonsense, where no lit screen with four corners is", () => {
    const flat = (v: (x: number, y: number) => number): Photo => {
      const rgba = new Uint8ClampedArray(800 * 600 * 4);
      for (let y = 0; y < 600; y++) for (let x = 0; x < 800; x++) rgba.fill(v(x, y), (y * 800 + x) * 4, (y * 800 + x) * 4 + 3);
      return { width: 800, height: 600, rgba };
    };
    let s = 7;
    const grain = () => {
      s = (Math.imul(s, 1103515245) + 12345) >>> 0;
      return (s >>> 16) & 63;
    };
    expect(suggestCorners(flat(() => 0))).toBeNull();
    expect(suggestCorners(flat(() => 128))).toBeNull();
    expect(suggestCorners(flat(() => 20 + grain()))).toBeNull();
    expect(suggestCorners(flat((x, y) => (Math.hypot(x - 400, y - 300) < 180 ? 200 : 10)))).toBeNull();
    // A triangle, and a small bright spot.
    expect(suggestCorners(flat((x, y) => (y > 100 && x > y && x < 700 ? 200 : 10)))).toBeNull();
    expect(suggestCorners(flat((x, y) => (Math.abs(x - 400) < 20 && Math.abs(y - 300) < 15 ? 200 : 10)))).toBeNull();
    // Lit to the frame's own edges: its corners are not in the picture.
    expect(suggestCorners(flat((x) => (x < 790 ? 190 : 180)))).toBeNull();
  });
});

describe("evenness of two aims", () => {
  const pair = two(panel);
  it("ratios of 5, 9, 13 and 25 points within 0.015 of the truth, the lens falling by 38 % at its corners; one photo is worse", () => {
    const e = good(measureEvenness(pair, size));
    expect(e.vignettingRemoved).toBe(true);
    for (const n of SCHEMES) expect(Math.abs(e.rows[n].minOverMax - trueRatio(panel, n)), `${n}`).toBeLessThan(0.015);
    const one = good(measureEvenness([pair[0]!], size));
    expect(one.vignettingRemoved).toBe(false);
    const off = (x: typeof e) => Math.abs(x.rows[9].minOverMax - trueRatio(panel, 9));
    expect(off(e)).toBeLessThan(off(one));
    expect(one.rows[9].sigma).toBeGreaterThan(e.rows[9].sigma);
    expect(one.warnings.join()).toMatch(/One photo only/);
    // What is said to be uncertain covers what it is off by.
    for (const n of SCHEMES) expect(Math.abs(e.rows[n].minOverMax - trueRatio(panel, n))).toBeLessThan(2 * e.rows[n].sigma);
  });
  it("is laid out as the schemes say, against the centre", () => {
    const e = good(measureEvenness(pair, size));
    for (const n of SCHEMES) expect(e.rows[n].points.map((p) => [p.x, p.y])).toEqual(POINTS[n].map(([x, y]) => [x, y]));
    expect(e.rows[9].points[4]!.light).toBeCloseTo(1, 6);
    expect(Object.values(e.rows).map((r) => r.points.length)).toEqual([5, 9, 13, 25]);
  });
  it("a colour that drifts is told within 0.0015 in u'v'", () => {
    const tinted = { ...panel, tint: 0.05 };
    const e = good(measureEvenness(two(tinted), size));
    expect(Math.abs(e.rows[9].colourShift - trueShift(tinted, 9))).toBeLessThan(0.0015);
    expect(e.rows[9].colourShift).toBeGreaterThan(0.006);
  });
  it("the camera's place comes from the corners, the viewing angle is taken off where it is known", () => {
    const near = { ...panel, tilt: 3 };
    const at: [number, number, number] = [0, 0, 500];
    const o = { at, focalPx: 770 };
    const photos = two(near, o);
    const e = good(measureEvenness(photos, size, { falloff: 3, focalPx: 770 }));
    expect(Math.hypot(e.camera.xMm, e.camera.yMm, e.camera.zMm - 500)).toBeLessThan(4);
    expect(Math.abs(e.rows[9].minOverMax - trueRatio(panel, 9))).toBeLessThan(0.012);
    const plain = good(measureEvenness(photos, size, { focalPx: 770 }));
    expect(Math.abs(plain.rows[9].minOverMax - trueRatio(panel, 9))).toBeGreaterThan(0.04);
  });
  it("the same aim twice is refused, as is a phone turned by 180 degrees", () => {
    const again = photoOf(panel, { ...leftHigh, seed: 77 });
    expect(measureEvenness([pair[0]!, again], size)).toMatchObject({ ok: false, problem: "aim" });
    const turned = photoOf(panel, { ...still, rollDeg: 180, seed: 78 });
    const plain = photoOf(panel, { ...still, seed: 79 });
    // Corners of the turned one stand the other way round: as a person would drag them.
    const corners = turned.truth;
    expect(measureEvenness([plain, { ...turned, corners }], size)).toMatchObject({ ok: false, problem: "aim" });
  });
  it("clipped, dark and cornerless photos are refused, each in words that say what to do", () => {
    expect(measureEvenness(two(panel, { exposure: 1.6 }), size)).toMatchObject({ ok: false, problem: "clipped" });
    expect(measureEvenness(two(panel, { exposure: 0.03 }), size)).toMatchObject({ ok: false });
    const dark = two(panel, { exposure: 0.03, noise: 0 }).map((p) => ({ ...p, corners: p.truth }));
    expect(measureEvenness(dark, size)).toMatchObject({ ok: false, problem: "dark" });
    const none = measureEvenness([{ width: 300, height: 200, rgba: new Uint8ClampedArray(240_000) }], size);
    expect(none).toMatchObject({ ok: false, problem: "corners" });
    expect(() => measureEvenness([], size)).toThrow(/photos/);
    expect(() => measureEvenness(pair, { widthMm: Number.NaN, heightMm: 1 })).toThrow(/panel/);
  });
  it("a black photo takes a room of 10 % off", () => {
    const o = { room: 0.1, lens: [0, 0] as [number, number] };
    const lit = photoOf(panel, { ...still, ...o, seed: 8 });
    const black = photoOf(panel, { ...still, ...o, black: true, seed: 9 });
    const off = (e: Evenness) => Math.abs(good(e).rows[9].minOverMax - trueRatio(panel, 9));
    expect(off(measureEvenness([{ ...lit, corners: lit.truth, black }], size))).toBeLessThan(0.012);
    expect(off(measureEvenness([lit], size))).toBeGreaterThan(0.012);
    expect(() => measureEvenness([{ ...lit, black: { ...black, width: 10 } }], size)).toThrow(/black photo: 10 × 750/);
  });
});

describe("the tone curve", () => {
  const value = (l: number, tone: number) => {
    const v = l ** tone;
    return 255 * (v <= 0.0031308 ? 12.92 * v : 1.055 * v ** (1 / 2.4) - 0.055);
  };
  it("is found from dithered steps within 0.01, and put right", () => {
    const light = [0.125, 0.25, 0.5, 0.75, 1];
    for (const tone of [0.8, 0.9, 1, 1.1]) {
      const g = responseFromSteps(
        light.map((l) => value(l * 0.6, tone)),
        light,
      );
      expect(Math.abs(1 / g - tone)).toBeLessThan(0.01);
    }
    const p = photoOf(panel, { ...still, tone: 0.8, lens: [0, 0], seed: 10 });
    const off = (response: number) =>
      Math.abs(good(measureEvenness([p], size, { response })).rows[9].minOverMax - trueRatio(panel, 9));
    expect(off(1.25)).toBeLessThan(0.012);
    expect(off(1)).toBeGreaterThan(0.02);
  });
  it("a curve that is no power is told; too few steps are refused", () => {
    const light = [0.125, 0.25, 0.5, 0.75, 1];
    expect(
      stepsOff(
        light.map((l) => value(l, 1)),
        light,
      ),
    ).toBeLessThan(0.02);
    expect(
      stepsOff(
        light.map((l) => value(3 * l * l - 2 * l * l * l, 1)),
        light,
      ),
    ).toBeGreaterThan(0.02);
    expect(() => responseFromSteps([128], [1])).toThrow(/two patches/);
  });
});

describe("marks, dips and dead zones", () => {
  it("a clean panel at moiré of 1.5 % has none", () => {
    const e = good(measureEvenness(two(panel, { moire: 0.015 }), size));
    expect(e.marks).toEqual([]);
    expect(e.edges).toEqual([]);
    expect(e.dead).toEqual([]);
  });
  it("marks of 5 % and more are found within 2.5 mm, with their sign", () => {
    const marked: TruePanel = {
      ...panel,
      marks: [
        { x: -90, y: 20, sigma: 3, contrast: 0.06 },
        { x: 60, y: -40, sigma: 4, contrast: -0.06 },
      ],
    };
    const e = good(measureEvenness(two(marked, { moire: 0.015 }), size));
    for (const m of marked.marks!) {
      const near = e.marks.find((f) => Math.hypot(f.xMm - m.x - 155, f.yMm - m.y - 87) < 2.5);
      expect(near, `${m.x}`).toBeDefined();
      expect(Math.sign(near!.contrast)).toBe(Math.sign(m.contrast));
    }
    expect(e.marks).toHaveLength(2);
  });
  it("a dead source is told at its place on its edge, a string with its spacing; a dead zone with its place and size", () => {
    const one = good(measureEvenness(two({ ...panel, sources: [{ x: 40, depth: 0.22 }] }), size));
    expect(one.edges.map((x) => x.edge)).toEqual(["bottom"]);
    expect(Math.abs(one.edges[0]!.dips[0]!.atMm - 195)).toBeLessThan(2.5);
    const string = [-120, -72, -24, 24, 72, 120].map((x) => ({ x, depth: 0.2 }));
    const six = good(measureEvenness(two({ ...panel, sources: string }), size));
    expect(six.edges[0]!.dips).toHaveLength(6);
    expect(Math.abs(six.edges[0]!.periodMm! - 48)).toBeLessThan(2);
    const dead = good(measureEvenness(two({ ...panel, dead: [{ x: 50, y: 30, w: 8, h: 6 }] }), size)).dead;
    expect(dead).toHaveLength(1);
    expect(Math.hypot(dead[0]!.xMm - 205, dead[0]!.yMm - 117)).toBeLessThan(2);
    expect(Math.abs(dead[0]!.areaMm2 - 48)).toBeLessThan(25);
  });
  it("whatever the photos show, no figure is NaN", () => {
    const odd: TruePanel[] = [
      { ...panel, falls: [0.9, 0.9] },
      { ...panel, dead: [{ x: 0, y: 0, w: 30, h: 30 }] },
      { ...panel, dead: [{ x: -130, y: 0, w: 60, h: 180 }] },
    ];
    for (const p of odd) {
      const photos = two(p).map((x) => ({ ...x, corners: x.truth }));
      const e = measureEvenness(photos, size);
      expect(JSON.stringify(e)).not.toMatch(/null.*sigma|NaN/);
      if (e.ok)
        for (const n of SCHEMES)
          for (const v of [e.rows[n].minOverMax, e.rows[n].sigma, e.rows[n].colourShift]) expect(Number.isFinite(v)).toBe(true);
    }
  });
});
