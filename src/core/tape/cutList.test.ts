import { builds } from "@tests/bench";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { Build } from "../build";
import { cutList } from ".";

const base = builds["ostrel-kestrel-14"]!;
const withKeepOuts = (keepOuts: { fromMm: number; toMm: number; why: string }[]): Build => ({
  ...base,
  tapes: [{ ...base.tapes[0]!, keepOuts }],
});
const strip = base.tapes[0]!.shape.heightMm;

describe("cutList", () => {
  it("is the whole strip without keep-outs, and nothing for a panel held by screws", () => {
    const [p] = cutList(withKeepOuts([]));
    expect(p).toMatchObject({ lengthMm: strip, widthMm: base.tapes[0]!.shape.widthMm, upright: true });
    expect(cutList(builds["tollund-cairn-11-cb"]!)).toEqual([]);
  });
  it("pieces never lie on a keep-out, never overlap, and with the keep-outs fill the strip", () => {
    const gap = fc.tuple(fc.integer({ min: 0, max: Math.floor(strip) - 2 }), fc.integer({ min: 1, max: 60 }));
    fc.assert(
      fc.property(fc.array(gap, { maxLength: 5 }), (gaps) => {
        const outs = gaps.map(([fromMm, len]) => ({ fromMm, toMm: Math.min(strip, fromMm + len), why: "camera" }));
        const pieces = cutList(withKeepOuts(outs));
        const y0 = base.tapes[0]!.shape.yMm;
        let at = 0;
        for (const p of pieces) {
          const from = p.yMm - y0;
          expect(from).toBeGreaterThanOrEqual(at - 1e-9);
          at = from + p.lengthMm;
          for (const k of outs) expect(at <= k.fromMm + 0.06 || from >= k.toMm - 0.06, JSON.stringify({ p, k })).toBe(true);
          expect(p.lengthMm).toBeGreaterThanOrEqual(8 - 0.05);
        }
        // Every long enough free stretch is covered.
        for (let mm = 0; mm < strip; mm++) {
          const free = !outs.some((k) => mm + 0.5 > k.fromMm && mm + 0.5 < k.toMm);
          const covered = pieces.some((p) => mm + 0.5 > p.yMm - y0 && mm + 0.5 < p.yMm - y0 + p.lengthMm);
          if (covered) expect(free).toBe(true);
        }
        expect(new Set(pieces.map((p) => p.id)).size).toBe(pieces.length);
      }),
    );
  });
});
