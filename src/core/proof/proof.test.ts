import { policy } from "@tests/bench";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { judgeFaults, PATTERNS, paintPattern } from ".";

describe("judgeFaults", () => {
  it("scales per million pixels and rounds down", () => {
    const rows = judgeFaults(policy, { h: 1920, v: 1080 }, ["dark", "dark", "dark", "dark", "dark"]);
    expect(rows.find((r) => r.class === "dark")).toEqual({ class: "dark", found: 5, atMost: 4, ok: false });
    expect(judgeFaults(policy, { h: 1000, v: 1000 }, ["bright", "bright"])[0]).toMatchObject({ atMost: 2, ok: true });
    expect(judgeFaults(policy, null, ["bright", "bright", "bright"])[0]!.ok).toBe(false);
  });
  it("one fault more never turns a no into a yes", () => {
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom("bright" as const, "dark" as const, "subPixel" as const, "cluster" as const), { maxLength: 30 }),
        (faults) => {
          const ok = (f: typeof faults) => judgeFaults(policy, { h: 1366, v: 768 }, f).every((r) => r.ok);
          if (!ok(faults)) expect(ok([...faults, "dark"])).toBe(false);
        },
      ),
    );
  });
});

describe("patterns", () => {
  const painted = (id: string, w: number, h: number, t = 0) => {
    const px = Array.from({ length: h }, () => Array<string>(w).fill(""));
    let colour = "";
    paintPattern(
      {
        set fillStyle(c: unknown) {
          colour = String(c);
        },
        get fillStyle() {
          return colour;
        },
        fillRect: (x, y, a, b) => {
          for (let j = Math.max(0, y); j < Math.min(h, y + b); j++)
            for (let i = Math.max(0, x); i < Math.min(w, x + a); i++) px[j]![i] = colour;
        },
      },
      w,
      h,
      id,
      t,
    );
    return px;
  };
  it("every pattern paints every pixel", () => {
    for (const p of PATTERNS) for (const row of painted(p.id, 131, 67)) expect(row.every(Boolean), p.id).toBe(true);
  });
  it("the bar is 80 wide, comes in from the left and goes a pixel in 4 ms", () => {
    const white = (t: number) => painted("bar", 400, 1, t)[0]!.flatMap((c, i) => (c === "#ffffff" ? [i] : []));
    expect(white(0)).toEqual([]);
    expect(white(4)).toEqual([0]);
    expect([white(400).at(0), white(400).at(-1), white(400).length]).toEqual([20, 99, 80]);
    expect(white(480 * 4)).toEqual([]);
  });
  it("a checker stops where the screen does", () => {
    const c = painted("checker", 200, 130);
    expect([c[0]![127], c[0]![128], c[0]![199], c[64]![64], c[128]![0]]).toEqual([
      "#000000",
      "#ffffff",
      "#000000",
      "#ffffff",
      "#ffffff",
    ]);
  });
  it("lines are one pixel wide, checkers alternate, ramps run from black to white", () => {
    expect(painted("lines", 4, 1)[0]).toEqual(["#ffffff", "#000000", "#ffffff", "#000000"]);
    const c = painted("checker", 128, 128);
    expect(c[0]![0]).not.toBe(c[0]![64]);
    expect(c[0]![0]).toBe(c[64]![64]);
    const r = painted("rampX", 256, 1)[0]!;
    expect(r[0]).toBe("rgb(0,0,0)");
    expect(r[255]).toBe("rgb(255,255,255)");
  });
});
