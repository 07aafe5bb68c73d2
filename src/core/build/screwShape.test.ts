import { describe, expect, it } from "vitest";
import { screwPaths, shankMm } from "./screwShape";

/** Every point of a path of absolute M, L, H, V and Q commands: curves by their control points, which bound them. */
function points(path: string): [number, number][] {
  const out: [number, number][] = [];
  let x = 0;
  let y = 0;
  for (const [, c, args] of path.matchAll(/([MLHVQZ])([^MLHVQZ]*)/g)) {
    const n = (args!.match(/-?\d+(?:\.\d+)?(?:e-?\d+)?/g) ?? []).map(Number);
    if (c === "H") x = n[0]!;
    else if (c === "V") y = n[0]!;
    else for (let i = 0; i < n.length; i += 2) [x, y] = [n[i]!, n[i + 1]!];
    if (c !== "Z") out.push([x, y]);
  }
  return out;
}
const box = (path: string) => {
  const p = points(path);
  const xs = p.map(([x]) => x);
  const ys = p.map(([, y]) => y);
  return { left: Math.min(...xs), right: Math.max(...xs), top: Math.min(...ys), bottom: Math.max(...ys) };
};
const type = (more = {}) =>
  ({ head: "pan", headDiameterMm: 3.8, headHeightMm: 1.5, lengthMm: 5, thread: "M2", ...more }) as Parameters<
    typeof screwPaths
  >[0];

describe("a screw drawn from the side", () => {
  it("the shank is as thick as its thread says, two millimetres where it says nothing", () => {
    expect(["M1.6", "M2", "M2.5", "M3x0.5", "wood", ""].map(shankMm)).toEqual([1.6, 2, 2.5, 3, 2, 2]);
  });
  it("head and shank are as large as they are, at any scale: nobody is sent the wrong one by a picture", () => {
    for (const head of ["pan", "csk", "wafer"] as const)
      for (const lengthMm of [2, 3, 5, 8])
        for (const s of [1, 3.7796, 8]) {
          const [h, shank] = screwPaths(type({ head, lengthMm }), s);
          const a = box(h);
          const b = box(shank);
          expect(a.right - a.left, `${head} ${lengthMm} ${s}`).toBeCloseTo(3.8 * s, 6);
          expect(a.left).toBeCloseTo(-a.right, 6);
          expect(a.top).toBeCloseTo(-1.5 * s, 6);
          expect(a.bottom).toBeCloseTo(0, 6);
          expect(b.right - b.left).toBeCloseTo(2 * s, 1);
          expect(b.left).toBeCloseTo(-b.right, 6);
          expect(b.top).toBeCloseTo(0, 6);
          expect(b.bottom).toBeCloseTo(lengthMm * s, 1);
        }
  });
  it("a countersunk head narrows to the shank, the others end as wide as they are", () => {
    const foot = (head: "pan" | "csk" | "wafer") => {
      const xs = points(screwPaths(type({ head }), 1)[0])
        .filter(([, y]) => y === 0)
        .map(([x]) => x);
      return Math.max(...xs) - Math.min(...xs);
    };
    expect(foot("csk")).toBeCloseTo(2, 6);
    expect(foot("pan")).toBeCloseTo(3.8, 6);
    expect(foot("wafer")).toBeCloseTo(3.8, 6);
  });
  it("the thread is cut all along, two turns at least, and never through the core", () => {
    const turns = (lengthMm: number) => {
      const flank = points(screwPaths(type({ lengthMm }), 10)[1]).filter(([x]) => x < 0 && x > -10);
      // The point of the screw is one of them.
      return flank.length - 1;
    };
    expect(turns(0.8)).toBe(2);
    expect(turns(5)).toBeGreaterThan(turns(3));
    // A turn every 0.46 mm, as near as whole turns come.
    expect(turns(5)).toBe(11);
    for (const [x] of points(screwPaths(type(), 10)[1])) expect(Math.abs(x)).toBeGreaterThan(5);
  });
});
