import { parts, sweep } from "@tests/heatLids";
import { describe, expect, it } from "vitest";
import { type FollowAsk, Following, followFromLog, type HeatRead, HeatRun, isotherms, lidModel, workingWindow } from ".";

const lid = parts();
const tape = lid.tapes.find((t) => t.id === "bottom") ?? lid.tapes[0]!;
const act = { ...sweep, edge: tape.edge };
const ask = (stretches: FollowAsk["stretches"], reads: readonly HeatRead[] = []): FollowAsk => ({
  ...lid,
  cover: "al",
  softC: 45,
  tape: tape.id,
  stretches,
  reads,
  cellMm: 6,
});

describe("a warming followed from its log", () => {
  it("is where a run is that was led by hand: heated for 40 s, then left for 20", () => {
    const f = new Following(ask([{ atS: 0, forS: 40, act }]));
    f.to(60);
    const run = new HeatRun(lidModel(lid, { cover: "al", cellMm: 6 }));
    run.step(40, act);
    run.step(20, null);
    const seen = f.seen();
    const own = run.state().tapes[seen.strips[0]!.id]!;
    expect(seen.strips[0]!.q10C).toBeCloseTo(own.q10, 9);
    expect(seen.window?.leftS).toBeCloseTo(workingWindow(run, { piece: seen.strips[0]!.id, softC: 45, maxS: 300 }).leftS, 9);
    expect(seen.heating).toBe(false);
    expect(seen.softInS).toBeNull();
  });
  it("says how long until it lets go, and it does then", () => {
    const f = new Following(ask([{ atS: 0, forS: null, act }]));
    f.to(20);
    const { softInS, window, heating } = f.seen();
    expect([heating, window]).toEqual([true, null]);
    expect(softInS).toBeGreaterThan(3);
    f.to(20 + softInS! - 3);
    expect(f.seen().strips[0]!.soft).toBe(false);
    f.to(20 + softInS! + 1);
    expect(f.seen().strips[0]!.soft).toBe(true);
  });
  it("a reload half-way, a log told in pieces and one told whole come to the same", () => {
    const read = (atS: number, surfaceC: number): HeatRead => ({ atS, xMm: 90, yMm: 100, surfaceC });
    const whole = ask([{ atS: 0, forS: 45, act }], [read(12, 34), read(30, 44), { atS: 52, stiff: lidPiece() }]);
    const a = new Following(whole);
    a.to(70);
    const b = new Following(ask([{ atS: 0, forS: null, act }]));
    b.to(11.5);
    b.told(ask([{ atS: 0, forS: null, act }], whole.reads.slice(0, 1)));
    b.to(29);
    b.told(ask([{ atS: 0, forS: null, act }], whole.reads.slice(0, 2)));
    b.to(45);
    b.told(ask(whole.stretches, whole.reads.slice(0, 2)));
    b.to(51);
    b.told(whole);
    b.to(70);
    expect(b.seen().cal).toEqual(a.seen().cal);
    expect(b.seen().strips[0]!.q10C).toBeCloseTo(a.seen().strips[0]!.q10C, 6);
    expect(a.seen().reads).toBe(3);
  });
  it("what was seen off earlier than it was followed is gone over again", () => {
    const b = new Following(ask([{ atS: 0, forS: null, act }]));
    b.to(50);
    const hot = b.seen().strips[0]!.q10C;
    b.told(ask([{ atS: 0, forS: 20, act }]));
    expect(b.seen().strips[0]!.q10C).toBeLessThan(hot);
    expect(b.seen().heating).toBe(false);
  });
  it("a strip that got stiff early tells of a weaker tool, one that stays soft long says nothing of itself", () => {
    const f = new Following(ask([{ atS: 0, forS: 60, act }]));
    f.to(63);
    const before = f.seen();
    expect(before.strips[0]!.medianC).toBeGreaterThan(47);
    f.told(ask([{ atS: 0, forS: 60, act }], [{ atS: 63, stiff: before.strips[0]!.id }]));
    f.to(63.5);
    expect(f.seen().cal.cal).toBeLessThan(before.cal.cal);
    expect(f.seen().cal.range[1] - f.seen().cal.range[0]).toBeLessThan(before.cal.range[1] - before.cal.range[0]);
  });
  it("a reading no tool explains takes the trust away", () => {
    const f = new Following(ask([{ atS: 0, forS: 60, act }], [{ atS: 60, xMm: 90, yMm: 100, surfaceC: 160 }]));
    f.to(61);
    expect(f.seen().trusted).toBe(false);
  });
  it("names a strip this lid has not", () => {
    const f = new Following(ask([{ atS: 0, forS: 30, act }], [{ atS: 10, stiff: "no-such" }]));
    expect(() => f.to(20)).toThrow(/no piece of tape "no-such"/);
  });
});

/** The piece of the tape that is followed. */
function lidPiece(): string {
  return lidModel(lid, { cover: "al", cellMm: 6 }).pieces.find((p) => p.tape === tape.id)!.id;
}

describe("what a log tells of a warming", () => {
  const on = (onMs: number, offMs: number | null, more = {}) => ({
    tool: "mat" as const,
    setC: 58,
    tape: tape.id,
    onMs,
    offMs,
    ...more,
  });
  it("is the last warming, passes of one lid that never got cold together; readings from before it are not its", () => {
    const told = [on(0, 60_000), on(3_600_000, 3_660_000), on(3_700_000, null)];
    const reads = [
      { ms: 50_000, xMm: 1, yMm: 1, surfaceC: 40 },
      { ms: 3_650_000, xMm: 1, yMm: 1, surfaceC: 50 },
    ];
    const s = followFromLog(lid, told, reads, { tape: tape.id, softC: 50, cover: "al" })!;
    expect(s.beganMs).toBe(3_600_000);
    expect(s.ask.stretches.map((x) => [x.atS, x.forS])).toEqual([
      [0, 60],
      [100, null],
    ]);
    expect(s.ask.reads).toEqual([{ atS: 50, xMm: 1, yMm: 1, surfaceC: 50 }]);
  });
  it("nothing is followed where nobody said what the cover is made of, or what it is for", () => {
    expect(followFromLog(lid, [on(0, null)], [], { tape: tape.id, softC: 50 })).toBeNull();
    expect(followFromLog(lid, [on(0, null, { cover: "mg" })], [], { tape: tape.id, softC: 50 })!.ask.cover).toBe("mg");
    expect(followFromLog(lid, [on(0, null, { tape: undefined })], [], { tape: tape.id, softC: 50, cover: "al" })).toBeNull();
    expect(followFromLog(lid, [], [], { tape: tape.id, softC: 50, cover: "al" })).toBeNull();
  });
  it("a place that was noted is the place; without one a nozzle goes along its strip", () => {
    const place = { edge: "left" as const, fromMm: 20, toMm: 80, insetMm: 8, standOffMm: 45 };
    const of = (more: object) =>
      followFromLog(lid, [on(0, null, { tool: "heatGun", setC: 120, ...more })], [], { tape: tape.id, softC: 50, cover: "al" })!
        .ask.stretches[0]!.act;
    expect(of({ place })).toEqual({ do: "jet", tool: "heatGun", nozzleC: 120, ...place });
    const own = of({});
    expect(own).toMatchObject({ do: "jet", edge: tape.edge, standOffMm: 60 });
  });
});

describe("lines of equal temperature", () => {
  const at = { xMm: 10, yMm: 20, widthMm: 100, heightMm: 50 };
  it("of a slope lie where it crosses, straight", () => {
    // From 20 to 60 °C over 100 cells: 40 °C lies half-way.
    const [nx, ny] = [100, 50];
    const t = Float64Array.from({ length: nx * ny }, (_, i) => 20 + (40 * ((i % nx) + 0.5)) / nx);
    const line = isotherms(t, { nx, ny }, at, [40]).find((l) => l.c === 40)!;
    const inside = line.rings.flat().filter(([x, y]) => x < 109 && y > 21.5 && y < 68.5);
    expect(inside.length).toBeGreaterThan(20);
    for (const [x] of inside) expect(Math.abs(x - 60)).toBeLessThan(0.6);
  });
  it("are asked for in steps that exist, coldest first, and none is drawn beyond what there is", () => {
    const t = Float64Array.from({ length: 100 }, (_, i) => 25 + i * 0.3);
    const c = isotherms(t, { nx: 10, ny: 10 }, at, [45]).map((l) => l.c);
    expect(c).toEqual([28, 34, 42, 45, 50]);
    expect(() => isotherms(t, { nx: 9, ny: 10 }, at)).toThrow(/100 temperatures for 9 x 10/);
  });
  it("go round a hot spot and come back", () => {
    const [nx, ny] = [40, 40];
    const t = Float64Array.from(
      { length: nx * ny },
      (_, i) => 23 + 40 * Math.exp(-(((i % nx) - 20) ** 2 + (Math.floor(i / nx) - 20) ** 2) / 60),
    );
    for (const l of isotherms(t, { nx, ny }, at))
      for (const r of l.rings) {
        expect(r[0]).toEqual(r.at(-1));
        const ys = r.map(([, y]) => y);
        expect((Math.min(...ys) + Math.max(...ys)) / 2).toBeCloseTo(20 + (20.5 / 40) * 50, 0);
      }
  });
});
