import { builds } from "@tests/bench";
import { describe, expect, it } from "vitest";
import { type Build, checkBuild, DRIVES, HEADS, parseBuild, screwPaths, shankMm } from ".";

const raw = (): Build => structuredClone(builds["ostrel-kestrel-14"]!);
const says = (b: unknown): string => {
  const r = parseBuild(JSON.stringify(b));
  return r.ok ? "ok" : r.problems.map((p) => `${p.where}: ${p.message}`).join("\n");
};

/** Puts a number at a place such as "screwTypes[0].lengthMm". */
function put(b: Build, where: string, n: number): void {
  const path = where.split(/[.[\]]+/).filter(Boolean);
  const last = path.pop()!;
  let at = b as unknown as Record<string, unknown>;
  for (const k of path) at = at[k] as Record<string, unknown>;
  at[last] = n;
}

describe("what a build may say, on both sides of its limits", () => {
  it("what reaches just to the edge is inside, a drain of one length is a drain", () => {
    const problems = (change: (b: Build) => void) => {
      const b = raw();
      change(b);
      return checkBuild(b).map((p) => `${p.where}: ${p.message}`);
    };
    expect(
      problems((b) => {
        b.isolation.drainS = [20, 20];
        b.lid.opening = { xMm: 0, yMm: 0, widthMm: b.lid.widthMm, heightMm: b.lid.heightMm };
        b.lid.pocket = { ...b.lid.opening };
      }),
    ).toEqual([]);
    for (const over of [{ xMm: -0.1 }, { yMm: -0.1 }, { xMm: 0.1 }, { yMm: 0.1 }])
      expect(
        problems((b) => {
          b.lid.opening = { xMm: 0, yMm: 0, widthMm: b.lid.widthMm, heightMm: b.lid.heightMm, ...over };
        }),
        JSON.stringify(over),
      ).toEqual([expect.stringMatching(/^lid\.opening: reaches outside the lid/)]);
  });
  // [place, lowest, highest, a step beyond]
  const limits: [string, number, number, number][] = [
    ["screwTypes[0].lengthMm", 0.8, 40, 0.1],
    ["screwTypes[0].headDiameterMm", 1, 12, 0.1],
    ["screwTypes[0].headHeightMm", 0.2, 6, 0.05],
    ["lid.widthMm", 150, 500, 1],
    ["lid.heightMm", 100, 400, 1],
    ["lid.depthMm", 1, 30, 0.5],
    ["base.widthMm", 150, 500, 1],
    ["isolation.drainS[0]", 3, 30, 0.5],
    ["screwGroups[0].screws[0].bossMm", 0.8, 40, 0.1],
    ["connectors[0].slackMm", 0, 300, 1],
    ["tapes[0].tailMm", 0, 60, 0.5],
  ];
  for (const [where, low, high, step] of limits)
    it(where, () => {
      const at = (n: number) => {
        const b = raw();
        put(b, where, n);
        return says(b);
      };
      // Within them the shape is sound; whether it makes sense beside the rest is another question.
      for (const n of [low, high]) expect(at(n), `${n}`).not.toContain(`${where}:`);
      for (const n of [low - step, high + step]) expect(at(n), `${n}`).toContain(`${where}:`);
      const b = raw();
      put(b, where, Number.NaN);
      expect(says(b)).toContain(where.replace(/\[\d+\]$/, ""));
    });
  it("an id is lower case, starts with a letter or digit, and has 48 signs at most", () => {
    for (const id of ["a", "0-a", "x".repeat(48)]) {
      const b = raw();
      b.parts.find((p) => p.role === "bezel")!.id = id;
      for (const p of b.parts) p.blockedBy = p.blockedBy.map((x) => (x === "bezel" ? id : x));
      expect(says(b), id).not.toMatch(/an id of lower-case/);
    }
    for (const id of ["", "-a", "Bezel", "be zel", "bezel!", "x".repeat(49)]) {
      const b = raw();
      b.parts[0]!.id = id;
      expect(says(b), id).toMatch(/parts\[0\]\.id: an id of lower-case/);
    }
  });
  it("what has two ways at least has four at most", () => {
    for (const [n, ok] of [
      [1, false],
      [2, true],
      [4, true],
      [5, false],
    ] as const) {
      const b = raw();
      b.parts[0]!.either = [
        {
          why: "antenna leads",
          options: Array.from({ length: n }, (_, i) => ({ id: `way-${i}`, free: [b.connectors[0]!.id] })),
        },
      ];
      expect(/either\[0\]\.options/.test(says(b)), `${n}`).toBe(!ok);
    }
  });
});

describe("a screw drawn from the side", () => {
  const numbers = (d: string) => [...d.matchAll(/-?\d+(?:\.\d+)?/g)].map((m) => Number(m[0]));
  it("is as long, as wide and as high as it says, at any scale", () => {
    for (const b of Object.values(builds))
      for (const t of b.screwTypes)
        for (const s of [1, 2, 7.56]) {
          const [head, shank] = screwPaths(t, s);
          const ys = numbers(shank).filter((_, i) => i > 0);
          expect(Math.max(...ys), `${b.id} ${t.id}`).toBeCloseTo(t.lengthMm * s, 1);
          const h = numbers(head);
          expect(Math.max(...h.map(Math.abs))).toBeGreaterThanOrEqual(Math.min(t.headDiameterMm / 2, t.headHeightMm) * s - 0.01);
          expect(Math.min(...h)).toBeCloseTo(-Math.max(t.headDiameterMm / 2, t.headHeightMm) * s, 1);
        }
  });
  it("heads of all kinds are told apart, and threads give their own width", () => {
    const t = builds["ostrel-kestrel-14"]!.screwTypes[0]!;
    const heads = new Set(HEADS.map((head) => screwPaths({ ...t, head }, 1)[0]));
    expect(heads.size).toBeGreaterThanOrEqual(3);
    expect([shankMm("M2"), shankMm("M2.5"), shankMm("M1.6"), shankMm("M3")]).toEqual([2, 2.5, 1.6, 3]);
    expect(DRIVES.length).toBeGreaterThan(4);
  });
});
