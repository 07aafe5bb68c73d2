import { describe, expect, it } from "vitest";
import { announce, answeredNow, gatherMs, restMs } from "./live";

describe("how soon others hear of an act", () => {
  it("at a quiet bench at once; in a busy shop once a second, whoever asks", () => {
    const t0 = performance.now();
    expect(gatherMs(t0)).toBe(300);
    for (let i = 0; i < 6; i++) announce("j");
    expect(gatherMs()).toBe(300);
    announce("j");
    const now = performance.now();
    expect(gatherMs(now)).toBe(1000);
    // A device that was just answered rests; one that was not is answered at once, as is one without a name.
    answeredNow("dev-a", now - 200);
    expect(restMs("dev-a", now)).toBeCloseTo(800, 6);
    expect(restMs("dev-b", now)).toBe(0);
    expect(restMs(null, now)).toBe(0);
    answeredNow("dev-a", now - 1500);
    expect(restMs("dev-a", now)).toBe(0);
    // Quiet again: nobody waits.
    answeredNow("dev-a", now + 1900);
    expect(gatherMs(now + 2000)).toBe(300);
    expect(restMs("dev-a", now + 2000)).toBe(0);
  });
});
