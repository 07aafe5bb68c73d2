import { closeUpPhoto, type Stuck } from "@tests/closeUpPhoto";
import { describe, expect, it } from "vitest";
import { closeUpDots, tilesOf } from ".";

// A small sixth, so that a photo traced ray by ray takes a moment.
const tile = { x: 240, y: 135, w: 120, h: 96 };
const stuck: Stuck[] = [
  { x: 270, y: 160, lit: false, subs: ["R", "G", "B"] },
  { x: 300, y: 190, lit: true, subs: ["R", "G", "B"] },
  { x: 330, y: 170, lit: true, subs: ["B"] },
  { x: 290, y: 205, lit: false, subs: ["R"] },
];
const SCREENS = { black: [0, 0, 0], red: [1, 0, 0], green: [0, 1, 0], blue: [0, 0, 1], white: [1, 1, 1] } as const;
/** What shows on each screen: worked out by hand from which sub-pixels it lights. */
const SHOWS: Record<keyof typeof SCREENS, [number, boolean][]> = {
  black: [
    [1, true],
    [2, true],
  ],
  red: [
    [0, false],
    [1, true],
    [2, true],
    [3, false],
  ],
  green: [
    [0, false],
    [1, true],
    [2, true],
  ],
  blue: [
    [0, false],
    [1, true],
  ],
  white: [
    [0, false],
    [3, false],
  ],
};

describe("dots that a close-up suggests", () => {
  it.each(Object.keys(SCREENS) as (keyof typeof SCREENS)[])(
    "on %s: those that show there, within a pixel, bright or dark, and no other",
    (screen) => {
      for (const [seed, pxPerPx] of [
        [1, 3.2],
        [2, 4.1],
        [5, 3.6],
      ] as const) {
        const { photo, crosses } = closeUpPhoto({ tile, screen: SCREENS[screen], stuck, pxPerPx, seed });
        const r = closeUpDots(photo, crosses, tile);
        if (!r.ok) throw new Error(r.words);
        expect(r.photoPxPerPx).toBeGreaterThan(3);
        const left = [...r.candidates];
        for (const [k, bright] of SHOWS[screen]) {
          const s = stuck[k]!;
          const at = left.findIndex((c) => Math.hypot(c.x - s.x - 0.5, c.y - s.y - 0.5) <= 1);
          expect(at, `${screen}, fault ${k}, seed ${seed}: ${JSON.stringify(r.candidates)}`).toBeGreaterThanOrEqual(0);
          expect(left[at]!.bright).toBe(bright);
          left.splice(at, 1);
        }
        expect(left, `${screen} ${seed}`).toEqual([]);
      }
    },
  );
  it("a sound panel suggests nothing", () => {
    for (const screen of Object.values(SCREENS)) {
      const { photo, crosses } = closeUpPhoto({ tile, screen, stuck: [], pxPerPx: 3.5, seed: 7 });
      expect(closeUpDots(photo, crosses, tile)).toMatchObject({ ok: true, candidates: [] });
    }
  });
  it("from too far nothing is suggested, and crosses in a line are refused", () => {
    const { photo, crosses } = closeUpPhoto({ tile, screen: SCREENS.white, stuck, pxPerPx: 2.2, seed: 3 });
    expect(closeUpDots(photo, crosses, tile)).toMatchObject({
      ok: false,
      problem: "coarse",
      words: expect.stringMatching(/2\.\d photo pixels/),
    });
    const flat = crosses.map(([x]) => [x, 50] as [number, number]);
    expect(closeUpDots(photo, flat, tile)).toMatchObject({ ok: false, problem: "corners" });
  });
  it("sixths cover the whole screen but its rim", () => {
    for (const [w, h] of [
      [1366, 768],
      [1920, 1080],
      [2560, 1600],
    ] as const) {
      const tiles = tilesOf(w, h);
      const inside = (x: number, y: number) =>
        tiles.some((t) => x >= t.x + 5 && y >= t.y + 5 && x < t.x + t.w - 5 && y < t.y + t.h - 5);
      // Only the outermost five pixels of the screen itself lie in none: those are for the eye.
      for (let x = 5; x < w - 5; x += 3)
        for (const y of [5, h / 2 - 1, h / 2, h - 6]) expect(inside(x, Math.round(y)), `${x}, ${y}`).toBe(true);
      for (const t of tiles) expect([t.x >= 0, t.y >= 0, t.x + t.w <= w, t.y + t.h <= h]).toEqual([true, true, true, true]);
    }
  });
});
