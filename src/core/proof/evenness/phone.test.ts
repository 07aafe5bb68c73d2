import { photoOf, type Shot, type TruePanel, trueRatio } from "@tests/panelPhoto";
import sharp, { type Sharp } from "sharp";
import { describe, expect, it } from "vitest";
import { type Evenness, judgeEvenness, measureEvenness, type Photo } from "..";

const clean: TruePanel = { widthMm: 310, heightMm: 174, slope: [0.06, -0.05], falls: [0.12, 0.09] };
const faulty: TruePanel = {
  ...clean,
  falls: [0.03, 0.02],
  sources: [{ x: 40, depth: 0.2 }],
  marks: [{ x: -90, y: 20, sigma: 3, contrast: 0.06 }],
};
const size = { widthMm: 310, heightMm: 174 };
const still: Omit<Shot, "seed"> = {
  width: 1000,
  height: 750,
  at: [15, -10, 620],
  aim: [0, 0],
  focalPx: 960,
  lens: [-0.3, -0.08],
};
const shots: Shot[] = [
  { ...still, aim: [62, 48], seed: 41 },
  { ...still, aim: [-58, -46], seed: 42 },
];
/** What phones do to a picture before anybody gets it, at a quarter of their pixels. */
const PHONES: Record<string, (s: Sharp) => Sharp> = {
  "JPEG at quality 85": (s) => s.jpeg({ quality: 85 }),
  "JPEG at quality 60": (s) => s.jpeg({ quality: 60 }),
  "slight denoising, quality 85": (s) => s.median(3).blur(1).jpeg({ quality: 85 }),
};
const SHARPENING: Record<string, (s: Sharp) => Sharp> = {
  "local contrast over 3 px": (s) => s.sharpen({ sigma: 3, m1: 0.5, m2: 0.5 }).jpeg({ quality: 85 }),
  "local contrast over 6 px": (s) => s.sharpen({ sigma: 6, m1: 0.3, m2: 0.3 }).jpeg({ quality: 85 }),
  "local contrast over 9 px": (s) => s.sharpen({ sigma: 9, m1: 0.5, m2: 0.5 }).jpeg({ quality: 85 }),
};
async function through(p: Photo, f: (s: Sharp) => Sharp): Promise<Photo> {
  const raw = sharp(Buffer.from(p.rgba), { raw: { width: p.width, height: p.height, channels: 4 } }).removeAlpha();
  const { data, info } = await sharp(await f(raw).toBuffer())
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  return { width: info.width, height: info.height, rgba: new Uint8ClampedArray(data) };
}
const taken = new Map<TruePanel, Photo[]>();
async function measured(panel: TruePanel, f: (s: Sharp) => Sharp): Promise<Extract<Evenness, { ok: true }>> {
  const photos = taken.get(panel) ?? shots.map((s) => photoOf(panel, s));
  taken.set(panel, photos);
  const e = measureEvenness(await Promise.all(photos.map((p) => through(p, f))), size);
  if (!e.ok) throw new Error(e.words);
  return e;
}

describe("photos as phones give them", () => {
  for (const [name, f] of Object.entries(PHONES))
    it(`${name}: ratios as without it, a mark and a dip are found, and a clean panel has none`, async () => {
      const e = await measured(clean, f);
      for (const n of [5, 9, 13, 25] as const)
        expect(Math.abs(e.rows[n].minOverMax - trueRatio(clean, n)), `${n} points`).toBeLessThan(0.02);
      expect([e.marks, e.edges, e.dead, e.sharpened]).toEqual([[], [], [], false]);
      const bad = await measured(faulty, f);
      expect(bad.edges.map((x) => [x.edge, x.dips.length])).toEqual([["bottom", 1]]);
      expect(Math.abs(bad.edges[0]!.dips[0]!.atMm - 195)).toBeLessThan(2.5);
      expect(bad.marks.some((m) => Math.hypot(m.xMm - 65, m.yMm - 107) < 2.5)).toBe(true);
      expect(judgeEvenness(bad).verdict).toBe("bad");
    });
  for (const [name, f] of Object.entries(SHARPENING))
    it(`${name}: said to be sharpened; a clean panel is unsure, never good and never bad; what is far from the rim still counts`, async () => {
      const e = await measured(clean, f);
      expect(e.sharpened).toBe(true);
      expect(e.warnings.join()).toMatch(/The phone sharpens its pictures: a bright seam of \d+ % along every edge/);
      expect(judgeEvenness(e).verdict).toBe("unsure");
      for (const n of [5, 9] as const) expect(Math.abs(e.rows[n].minOverMax - trueRatio(clean, n))).toBeLessThan(0.02);
      const bad = await measured(faulty, f);
      expect(bad.marks.some((m) => Math.hypot(m.xMm - 65, m.yMm - 107) < 2.5)).toBe(true);
      expect(judgeEvenness(bad).verdict).toBe("bad");
    });
});
