import { seededRandom } from "@tests/randomActs";
import { describe, expect, it } from "vitest";
import { alignHinges, type HingeAsk, type HingeMove, type HingeReading, hingeActs, hingeTorque, stubbornHinge } from ".";

/** Places a technician reads: both sides near the hinges and near the lip, and the front at both corners. */
const PLACES = [
  ["left", -152, 20],
  ["left", -152, 196],
  ["right", 152, 20],
  ["right", 152, 196],
  ["front", -137, 206],
  ["front", 137, 206],
] as const;
const SPAN = 240;
const readings = (mm: readonly number[]): HingeReading[] => PLACES.map(([kind, xMm, yMm], i) => ({ kind, xMm, yMm, mm: mm[i]! }));
const six = (mm: readonly number[], o: Partial<HingeAsk> = {}) =>
  alignHinges({ hingeSpanMm: SPAN, clearanceMm: [0.25, 0.25], readings: readings(mm), ...o });
/** What a lid reads that would be in line after a move: a rigid body, worked out from its corners. */
const askewBy = ({ u, vL, vR }: HingeMove, wider = 0): number[] =>
  PLACES.map(([kind, x, y]) => {
    const turn = (vR - vL) / SPAN;
    const dx = u - turn * y;
    const dy = (vL + vR) / 2 + turn * x;
    const moved = kind === "left" ? -dx : kind === "right" ? dx : dy;
    return -moved + (kind === "front" ? 0 : wider / 2);
  });
const close = (a: HingeMove, b: HingeMove, by: number) => {
  for (const k of ["u", "vL", "vR"] as const) expect(Math.abs(a[k] - b[k]), k).toBeLessThan(by);
};

describe("a lid brought in line", () => {
  it("exact readings give the move back, and both are slackened where both have to move", () => {
    const move = { u: 0.1, vL: -0.15, vR: 0.12 };
    const r = six(askewBy(move), { toleranceMm: 0.05 });
    close(r.want, move, 1e-6);
    expect([r.verdict, r.pick?.slacken]).toEqual(["move", "both"]);
    close(r.pick!.move, move, 1e-4);
    const byHand = six([0.08, -0.12, -0.08, 0.12, 0.17, -0.14], { toleranceMm: 0.05 });
    close(byHand.want, move, 0.02);
  });
  it("one hinge out: only that one is slackened, the other stays as pivot", () => {
    const r = six(askewBy({ u: 0, vL: -0.24, vR: 0 }));
    expect(r.pick?.slacken).toBe("left");
    expect(r.pick?.move.u).toBeCloseTo(0, 9);
    expect(Math.abs(r.pick!.move.vL + 0.24)).toBeLessThan(0.05);
    expect(r.pick!.leftOverMm).toBeLessThan(0.02);
    expect(r.both?.slacken).toBe("both");
  });
  it("a lid wider than its base is told, not chased", () => {
    const r = six(askewBy({ u: 0, vL: -0.1, vR: 0.1 }, 0.3));
    expect(r.misfit.widthMm).toBeCloseTo(0.3, 6);
    expect(r.want.u).toBeCloseTo(0, 6);
    expect(r.misfit.lengthMm).toBeNull();
  });
  it("0.4 mm with a quarter of play either way: maybe; 0.8: no screw reaches it", () => {
    const some = six(askewBy({ u: 0.4, vL: 0, vR: 0 }));
    expect(some.verdict).toBe("maybe");
    expect(some.pick!.reach).toBeGreaterThan(1);
    expect(some.pick!.reach).toBeLessThanOrEqual(2);
    const far = six(askewBy({ u: 0.8, vL: 0, vR: 0 }));
    expect([far.verdict, far.why]).toEqual(["bent", "screws cannot reach it"]);
    expect(far.pick!.leftOverMm).toBeGreaterThan(0.25);
  });
  it("in line already: nothing is slackened", () => {
    expect(six([0.02, -0.03, 0.01, 0.02, 0, 0.03])).toMatchObject({ verdict: "aligned", pick: { slacken: "none" } });
  });
  it("sides that say trapezium, or corners that say twist: bent", () => {
    const r = six([0.4, -0.4, 0.4, -0.4, 0, 0]);
    expect([r.verdict, r.why]).toEqual(["bent", "lid not rectangular to the base"]);
    expect(Math.abs(r.chi - 256)).toBeLessThan(1);
    expect(r.dof).toBe(2);
    const z = six([0, 0, 0, 0, 0.02, -0.03], { heights: { frontLeft: 0.4, frontRight: 0, rearLeft: 0, rearRight: 0 } });
    expect([z.verdict, z.why, z.twistMm]).toEqual(["bent", "lid twisted", 0.4]);
  });
  it("too few readings name the one that is missing", () => {
    const front: HingeReading[] = [
      { kind: "front", xMm: -137, yMm: 206, mm: 0.2 },
      { kind: "front", xMm: 137, yMm: 206, mm: 0.2 },
    ];
    const ask = (list: HingeReading[]) => alignHinges({ hingeSpanMm: SPAN, clearanceMm: [0.25, 0.25], readings: list });
    expect(ask(front)).toMatchObject({ verdict: "moreReadings", why: "a side reading" });
    expect(ask([])).toMatchObject({ verdict: "moreReadings", why: "two front readings, left and right" });
    expect(ask(readings([0.1, 0.1, 0.1, 0.1, 0, 0]).slice(0, 4))).toMatchObject({
      verdict: "moreReadings",
      why: "a front reading",
    });
    expect(() => alignHinges({ hingeSpanMm: 0, clearanceMm: [0.2, 0.2], readings: front })).toThrow(/hingeSpanMm/);
    expect(() => alignHinges({ hingeSpanMm: 240, clearanceMm: [-1, 0.2], readings: front })).toThrow(/clearanceMm/);
  });
  it("a hinge on dowels gives nothing, and the other only turns about it", () => {
    const r = six(askewBy({ u: 0.1, vL: -0.1, vR: 0.1 }), { clearanceMm: [0.25, 0] });
    expect(r.both?.move.u).toBeCloseTo(0, 9);
    expect(r.both?.move.vR).toBeCloseTo(0, 9);
  });
  it("mirroring left and right mirrors the answer", () => {
    const move = { u: 0.08, vL: -0.2, vR: 0.05 };
    const a = six(askewBy(move), { toleranceMm: 0.05 });
    const mirror = alignHinges({
      hingeSpanMm: SPAN,
      clearanceMm: [0.25, 0.25],
      toleranceMm: 0.05,
      readings: readings(askewBy(move)).map((r) => ({
        ...r,
        kind: r.kind === "left" ? "right" : r.kind === "right" ? "left" : r.kind,
        xMm: -r.xMm,
      })),
    });
    close(mirror.want, { u: -a.want.u, vL: a.want.vR, vR: a.want.vL }, 1e-9);
    close(mirror.pick!.move, { u: -a.pick!.move.u, vL: a.pick!.move.vR, vR: a.pick!.move.vL }, 1e-4);
  });
  it("no point within the play does better than the solver: 60 lids, 400 points each", () => {
    const random = seededRandom(11);
    const any = (most: number) => (2 * random() - 1) * most;
    for (let k = 0; k < 60; k++) {
      const mm = askewBy({ u: any(0.6), vL: any(0.6), vR: any(0.6) }).map((x) => x + any(0.05));
      const r = six(mm);
      const half = r.misfit.widthMm! / 2;
      // What both sides stand out together is no matter of the hinges: taken out, as the answer does.
      const cost = ({ u, vL, vR }: HingeMove) =>
        askewBy({ u, vL, vR }).reduce((s, x, i) => s + (mm[i]! - (i < 4 ? half : 0) - x) ** 2, 0);
      const best = cost(r.both!.move);
      for (let i = 0; i < 400; i++) {
        const m = { u: any(0.5), vL: any(0.5), vR: any(0.5) };
        if (Math.hypot(m.u, m.vL) > 0.5 || Math.hypot(m.u, m.vR) > 0.5) continue;
        expect(cost(m), `${k}`).toBeGreaterThan(best - 1e-6);
      }
    }
  });
  it("hands that miss by a tenth get a lid in line in two rounds", () => {
    const random = seededRandom(5);
    const gauss = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
    const any = () => (2 * random() - 1) * 0.25;
    const inHoles = (): HingeMove => {
      for (;;) {
        const m = { u: any(), vL: any(), vR: any() };
        if (Math.hypot(m.u, m.vL) <= 0.25 && Math.hypot(m.u, m.vR) <= 0.25) return m;
      }
    };
    let quick = 0;
    const lids = 120;
    for (let k = 0; k < lids; k++) {
      const right = inHoles();
      let at = inHoles();
      for (let round = 0; round <= 2; round++) {
        const mm = askewBy({ u: right.u - at.u, vL: right.vL - at.vL, vR: right.vR - at.vR });
        if (Math.max(...mm.map(Math.abs)) <= 0.2) {
          quick += 1;
          break;
        }
        const m = six(
          mm.map((x) => x + 0.05 * gauss()),
          { toleranceMm: 0.05 },
        );
        const step = (x: number) => x * (1 + 0.15 * gauss()) + (x ? 0.08 * gauss() : 0);
        const move = m.pick?.move ?? m.both!.move;
        const next = { u: at.u + step(move.u), vL: at.vL + step(move.vL), vR: at.vR + step(move.vR) };
        const over = Math.max(1, Math.hypot(next.u, next.vL) / 0.25, Math.hypot(next.u, next.vR) / 0.25);
        at = { u: next.u / over, vL: next.vL / over, vR: next.vR / over };
      }
    }
    expect(quick / lids).toBeGreaterThan(0.95);
  });
});

describe("what holds the lid up", () => {
  it("friction and weight apart, from a scale pulled both ways", () => {
    const q = hingeTorque({ openN: 5.2, closeN: 2.8, armM: 0.2, lidDeg: 45 });
    expect(q.frictionNm).toBeCloseTo(0.8, 9);
    expect(q.weightNm).toBeCloseTo(0.24, 9);
    expect(q.levelNm).toBeCloseTo(0.339, 3);
    expect(q.ratio).toBeCloseTo(2.36, 2);
    expect(q.holdsDownToDeg).toBe(0);
  });
  it("a weak hinge holds only above an angle; too steep, and the weight is not said", () => {
    const weak = hingeTorque({ openN: 3.2, closeN: -0.4, armM: 0.2, lidDeg: 45 });
    expect(weak.frictionNm).toBeCloseTo(0.28, 9);
    expect(weak.levelNm).toBeCloseTo(0.509, 3);
    expect(Math.round(weak.holdsDownToDeg!)).toBe(57);
    expect(hingeTorque({ openN: 3, closeN: 2, armM: 0.2, lidDeg: 85 })).toMatchObject({
      levelNm: null,
      ratio: null,
      holdsDownToDeg: null,
    });
    expect(() => hingeTorque({ openN: 3, closeN: 2, armM: 0, lidDeg: 45 })).toThrow(/armM/);
  });
});

describe("hinges in words", () => {
  const pick = (slacken: "none" | "left" | "right" | "both", vL: number, vR: number, u = 0) => ({
    slacken,
    move: { u, vL, vR },
    leftOverMm: 0,
    reach: 1,
  });
  const round = (slacken: "left" | "both", vL: number, vR: number) =>
    ({ verdict: "move", pick: pick(slacken, vL, vR) }) as ReturnType<typeof alignHinges>;
  it("says which hinge, how far and which way", () => {
    expect(hingeActs(pick("none", 0, 0))).toEqual([{ say: "Nothing to slacken.", hinge: null }]);
    expect(hingeActs(pick("left", -0.24, 0)).map((a) => a.say)).toEqual([
      "Slacken the left hinge only; the right one stays as pivot.",
      "Left side of the lid: 0.24 mm to the rear.",
      "Hold it shut. Nip the middle screw at half torque, and read again.",
      "Then the rest alternately, the middle one to full last; open to 90 degrees and read once more.",
    ]);
    const both = hingeActs(pick("both", -0.15, 0.12, 0.1)).map((a) => a.say);
    expect(both).toContain("Left side of the lid: 0.15 mm to the rear and 0.10 mm to the right.");
    expect(both).toContain("Right side of the lid: 0.12 mm to the front and 0.10 mm to the right.");
  });
  it("a third move of one hinge the same way is told; two, or one the other way, are not", () => {
    const same = round("left", 0.2, 0);
    expect(stubbornHinge([same, same])).toBeNull();
    expect(stubbornHinge([same, same, same])).toBe("left");
    expect(stubbornHinge([same, round("left", -0.2, 0), same])).toBeNull();
    expect(stubbornHinge([round("both", 0.01, -0.2), round("both", -0.01, -0.2), round("both", 0, -0.1)])).toBe("right");
  });
});
