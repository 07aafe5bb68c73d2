import { builds } from "@tests/bench";
import { describe, expect, it } from "vitest";
import { makePlan } from "../teardown";
import { cutList, PRESS, pressEdges } from ".";

describe("where a taped part is pressed", () => {
  it("a fingertip at a time along every strip that is laid, no edge without one", () => {
    for (const b of Object.values(builds)) {
      if (b.subject.bringsTape) continue;
      const laid = new Set(cutList(b).map((p) => p.edge));
      const edges = pressEdges(b);
      expect(new Set(edges.map((e) => e.edge)), b.id).toEqual(laid);
      for (const e of edges) {
        const mm = cutList(b)
          .filter((p) => p.edge === e.edge)
          .reduce((n, p) => n + p.lengthMm, 0);
        expect(e.places * PRESS.placeMm, `${b.id} ${e.edge}`).toBeGreaterThanOrEqual(mm);
        expect((e.places - cutList(b).length) * PRESS.placeMm).toBeLessThan(mm);
      }
    }
  });
  it("the worked strip: 172 mm take twelve fingertips of 15 mm; the pressure is that of the trade", () => {
    expect(pressEdges(builds["ostrel-kestrel-14"]!)).toEqual([
      { edge: "left", places: 12, last: false },
      { edge: "right", places: 11, last: false },
    ]);
    // 9 N on 6 by 15 mm is 0.10 MPa.
    expect(PRESS.forceN / (6 * PRESS.placeMm)).toBeCloseTo(0.1, 2);
  });
  it("the edge the lead comes in at is last, and the step says so; what brings its tape is pressed as well", () => {
    const b = structuredClone(builds["isbrand-pivot-14-touch"]!);
    expect(pressEdges(b).length).toBe(3);
    const lead = b.connectors.find((c) => c.joins[0] === b.subject.part && c.serves === "picture")!;
    lead.view = "lid";
    lead.xMm = b.lid.pocket.xMm + 3;
    lead.yMm = b.lid.pocket.yMm + b.lid.pocket.heightMm / 2;
    expect(pressEdges(b).at(-1)!.edge).toBe("left");
    const made = makePlan(b);
    if (!made.ok) throw new Error(made.problem);
    expect(made.plan.in.find((s) => s.kind === "press")!.how).toMatch(/15 mm at a time with about 9 N.*left \d+ places, last/);
  });
});
