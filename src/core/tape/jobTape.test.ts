import { builds } from "@tests/bench";
import { describe, expect, it } from "vitest";
import type { Build } from "../build";
import { cutList, type RollHere, tapeOf, tapeOptions } from ".";

const kestrel = builds["ostrel-kestrel-14"]!;
const width = cutList(kestrel)[0]!.widthMm;
const roll = (lot: string, thicknessMm: number, leftMm = 5000, widthMm = width): RollHere => ({
  lot,
  widthMm,
  thicknessMm,
  leftMm,
  place: "drawer 2",
  expires: null,
});
const deep = (mm: number): Build => ({ ...kestrel, lid: { ...kestrel.lid, pocketDepthMm: mm } });

describe("the tape of a job", () => {
  it("the worked example: foam 0.40 on figures told is close, and the measured pair takes another and is sure", () => {
    // 3.10 less 2.60 less 0.40 x 0.92 = 0.132 below the rim; told figures are off by a tenth each.
    const told = tapeOptions(deep(3.1), { mm: 2.6 }, [roll("A", 0.4), roll("B", 0.5)], {})[0]!;
    const first = told.offers[0]!;
    expect(first.pliesMm).toEqual([0.4]);
    expect(first.row.flushMm).toBeCloseTo(0.132, 6);
    expect(told.choice!.verdict).toBe("fitsMeasureThePair");
    // 3.14 less 2.57 less 0.50 x 0.92 = 0.110.
    const pair = tapeOptions(deep(3.1), { mm: 2.6 }, [roll("A", 0.4), roll("B", 0.5)], { pocketMm: 3.14, panelMm: 2.57 })[0]!;
    expect(pair.offers[0]!.pliesMm).toEqual([0.5]);
    expect(pair.offers[0]!.row.flushMm).toBeCloseTo(0.11, 6);
    expect(pair.choice!.verdict).toBe("fits");
    expect(pair.measured).toBe(true);
    expect(told.measured).toBe(false);
  });
  it("two plies where no one tape fills the gap, each cut from its own roll", () => {
    const one = tapeOptions(deep(3.6), { mm: 2.6 }, [roll("A", 0.5)], { pocketMm: 3.6, panelMm: 2.6 })[0]!;
    // 1.0 less 2 x 0.46 = 0.08.
    expect(one.offers[0]!.pliesMm).toEqual([0.5, 0.5]);
    expect(one.offers[0]!.row.flushMm).toBeCloseTo(0.08, 6);
    const [first, second] = one.offers[0]!.cuts;
    const used = cutList(kestrel)
      .filter((p) => p.widthMm === width)
      .reduce((a, p) => a + p.lengthMm + p.tailMm + 0.5, 0);
    expect(first!.ok && first!.plan[0]!.leftMm).toBeCloseTo(5000 - 10 - used, 6);
    expect(second!.ok && second!.plan[0]!.leftMm).toBeCloseTo(5000 - 2 * (10 + used), 6);
  });
  it("a roll too short for the longest piece is said with the length it would take; no tape of this width is no choice", () => {
    const longest = Math.max(...cutList(kestrel).map((p) => p.lengthMm + p.tailMm));
    const short = tapeOptions(deep(3.1), { mm: 2.6 }, [roll("A", 0.4, 60)], {})[0]!;
    expect(short.offers[0]!.cuts[0]).toEqual({ ok: false, problem: "noRollLongEnough", longestMm: longest + 0.5 + 10 });
    const other = tapeOptions(deep(3.1), { mm: 2.6 }, [roll("A", 0.4, 5000, width + 2)], {})[0]!;
    expect(other.choice).toBeNull();
    expect(other.offers).toEqual([]);
    expect(tapeOptions(deep(3.1), { mm: 2.6 }, [roll("A", 0.4, 0)], {})[0]!.choice).toBeNull();
  });
  it("nothing is said where the panel's thickness is not known, where it brings its tape, or where nothing is stuck", () => {
    expect(tapeOptions(kestrel, null, [roll("A", 0.4)], {})).toEqual([]);
    expect(tapeOptions(kestrel, null, [roll("A", 0.4)], { panelMm: 2.6 })).not.toEqual([]);
    const brings = { ...kestrel, subject: { ...kestrel.subject, bringsTape: true as const } };
    expect(tapeOptions(brings, { mm: 2.6 }, [roll("A", 0.4)], {})).toEqual([]);
    expect(tapeOptions({ ...kestrel, tapes: [] }, { mm: 2.6 }, [roll("A", 0.4)], {})).toEqual([]);
  });
  it("nothing on the shelf fits: the nearest is named and is no choice", () => {
    const none = tapeOptions(deep(4.5), { mm: 2.6 }, [roll("A", 0.3)], {})[0]!;
    expect(none.choice!.verdict).toBe("none");
    expect(none.choice!.best).toBeNull();
    expect(none.offers[0]!.pliesMm).toEqual([0.3, 0.3]);
  });
  it("film tape gives hardly, foam a twelfth", () => {
    expect(tapeOf(0.1).squeeze).toBeLessThan(tapeOf(0.3).squeeze);
    expect(tapeOf(0.05).dMm).toBe(0.01);
  });

  it("a roll over its date is cut from only where no other is long enough, and is named; its own last day still counts", () => {
    const dated = (lot: string, leftMm: number, expires: string | null) => ({ ...roll(lot, 0.4, leftMm), expires });
    const used = (rolls: RollHere[], today?: string) => {
      const offer = tapeOptions(deep(3.1), { mm: 2.6 }, rolls, {}, today)[0]!.offers[0]!;
      return { rolls: offer.cuts.flatMap((c) => (c.ok ? c.plan.map((p) => p.roll) : ["none"])), over: offer.overDate };
    };
    const old = dated("OLD", 5000, "2026-05-31");
    const good = dated("NEW", 5000, "2027-01-01");
    expect(used([old, good], "2026-06-01T08:00:00Z")).toEqual({ rolls: ["NEW"], over: [] });
    expect(used([old], "2026-06-01T08:00:00Z")).toEqual({ rolls: ["OLD"], over: ["OLD"] });
    expect(used([old, dated("END", 20, null)], "2026-06-01T08:00:00Z")).toEqual({ rolls: ["OLD"], over: ["OLD"] });
    // The day it ends on is its last good one; where no day is said nothing is over.
    expect(used([old], "2026-05-31T20:00:00Z").over).toEqual([]);
    expect(used([old]).over).toEqual([]);
  });
});
