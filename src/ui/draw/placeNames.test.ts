import { seededRandom } from "@tests/randomActs";
import { describe, expect, it } from "vitest";
import { type Box, type Named, nameBox, overlap, placeNames } from "./placeNames";

const PANE: Box = { x: 50, y: 20, w: 620, h: 560 };
const plug = (id: string, words: string, x: number, y: number): Named => ({ id, words, x, y, halfW: 24, halfH: 7 });
const boxesOf = (names: readonly Named[], taken: readonly Box[] = []) => {
  const placed = placeNames(names, taken, PANE);
  return names.map((n) => nameBox(n, placed.get(n.id)!.x, placed.get(n.id)!.y));
};

describe("names on a drawing", () => {
  it("alone it stands under its thing", () => {
    const at = placeNames([plug("a", "Display plug, on", 300, 300)], [], PANE).get("a")!;
    expect(at).toMatchObject({ x: 300, from: null });
    expect(at.y).toBeGreaterThan(307);
  });

  it("three plugs in a row by the hinge, each 50 px from the next: every name can be read", () => {
    const names = [
      plug("a", "Touch ribbon, on", 230, 529),
      plug("b", "Sensor ribbon, on", 388, 529),
      plug("c", "Display plug, on", 482, 529),
    ];
    const hinges: Box[] = [
      { x: 104, y: 542, w: 88, h: 18 },
      { x: 520, y: 542, w: 88, h: 18 },
    ];
    const boxes = boxesOf(names, hinges);
    boxes.forEach((a, i) => {
      for (const b of [...boxes.slice(i + 1), ...hinges]) expect(overlap(a, b)).toBe(0);
    });
  });

  it("on 500 drawings with up to eight plugs and a camera no two names lie over each other, none leaves the pane", () => {
    for (let seed = 1; seed <= 500; seed++) {
      const random = seededRandom(seed);
      const names: Named[] = [];
      for (let tries = 0; names.length < 2 + Math.floor(random() * 7) && tries < 200; tries++) {
        const p = plug(
          `p${names.length}`,
          "Connector, on".padEnd(10 + Math.floor(random() * 14), "n"),
          90 + random() * 540,
          40 + random() * 520,
        );
        // Plugs themselves lie beside each other.
        if (names.every((q) => Math.abs(q.x - p.x) > 52 || Math.abs(q.y - p.y) > 20)) names.push(p);
      }
      const camera: Box = { x: 350, y: 30, w: 12, h: 12 };
      const boxes = boxesOf(names, [camera]);
      boxes.forEach((a, i) => {
        for (const b of boxes.slice(i + 1)) expect(overlap(a, b), `drawing ${seed}`).toBe(0);
        for (const n of names) {
          const thing = { x: n.x - 24, y: n.y - 7, w: 48, h: 14 };
          expect(overlap(a, thing), `drawing ${seed}: name ${i} over ${n.id}`).toBe(0);
        }
        expect(overlap(a, PANE), `drawing ${seed}`).toBeCloseTo(a.w * a.h, 5);
      });
    }
  });

  it("where there is no room at all it still stands by its thing", () => {
    const wall: Box = { x: 0, y: 0, w: 800, h: 700 };
    expect(placeNames([plug("a", "Display plug, on", 300, 300)], [wall], PANE).get("a")).toBeDefined();
  });
});
