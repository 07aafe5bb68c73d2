import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { compareEvents, makeClock, makeEventId, movedBy, nextClock, readClock } from ".";

const ms = fc.integer({ min: 0, max: 4_000_000_000_000 });
const counter = fc.integer({ min: 0, max: 999_999 });

describe("a clock moved", () => {
  it("goes to 1970 and no further back, keeps its counter, and leaves what is no clock alone", () => {
    expect(movedBy(makeClock(5, 7), -5)).toBe(makeClock(0, 7));
    expect(movedBy(makeClock(5, 7), -500)).toBe(makeClock(0, 7));
    expect(movedBy(makeClock(5, 7), 1.6)).toBe(makeClock(7, 7));
    expect(movedBy("nothing", 5)).toBe("nothing");
  });
});

describe("hybrid clock", () => {
  it("reads back what it wrote, and nothing else", () => {
    fc.assert(
      fc.property(ms, counter, (m, c) => {
        expect(readClock(makeClock(m, c))).toEqual({ ms: m, counter: c });
      }),
    );
    for (const bad of ["", "1-1", "001750000000000-00002", "x01750000000000-000002"]) expect(readClock(bad)).toBeNull();
  });
  it("never runs backwards, whatever the device's own time says", () => {
    fc.assert(
      fc.property(ms, counter, fc.array(ms, { minLength: 1, maxLength: 30 }), (m, c, nows) => {
        let last = makeClock(m, c);
        for (const now of nows) {
          const next = nextClock(last, now);
          expect(next > last).toBe(true);
          expect(readClock(next)!.ms).toBeGreaterThanOrEqual(Math.min(now, readClock(last)!.ms));
          last = next;
        }
      }),
    );
  });
  it("carries a full counter over into time", () => {
    expect(nextClock(makeClock(500, 999_999), 400)).toBe(makeClock(501, 0));
  });
  it("orders by clock, then device, then id: a total order", () => {
    const event = fc.record({
      clock: fc.constantFrom(makeClock(1, 0), makeClock(1, 1), makeClock(2, 0)),
      device: fc.constantFrom("a", "b"),
      id: fc.constantFrom("1", "2", "3"),
    });
    fc.assert(
      fc.property(event, event, event, (a, b, c) => {
        expect(Math.sign(compareEvents(a, b))).toBe(-Math.sign(compareEvents(b, a)) || 0);
        if (compareEvents(a, b) < 0 && compareEvents(b, c) < 0) expect(compareEvents(a, c)).toBeLessThan(0);
        expect(compareEvents(a, b) === 0).toBe(a.clock === b.clock && a.device === b.device && a.id === b.id);
      }),
    );
  });
});

describe("event id", () => {
  const bytes = fc.uint8Array({ minLength: 10, maxLength: 10 });
  it("is a version 7 UUID that sorts by time", () => {
    fc.assert(
      fc.property(ms, ms, bytes, bytes, (a, b, x, y) => {
        const one = makeEventId(a, x);
        const two = makeEventId(b, y);
        expect(one).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/);
        if (a < b) expect(one < two).toBe(true);
        expect(Number.parseInt(one.replace(/-/g, "").slice(0, 12), 16)).toBe(a);
      }),
    );
  });
  it("wants ten random bytes", () => {
    expect(() => makeEventId(0, new Uint8Array(9))).toThrow(/ten random bytes/);
    expect(makeEventId(0, new Uint8Array(10))).toBe("00000000-0000-7000-8000-000000000000");
  });
});
