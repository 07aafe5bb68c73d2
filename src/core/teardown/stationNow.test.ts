import { plannedJob, TestBench } from "@tests/bench";
import { SAMPLES } from "@tests/samples";
import { describe, expect, it } from "vitest";
import { progressOf, stationNow } from ".";

describe("where the one thing to do now stands", () => {
  it("goes from station to station as the job does", () => {
    const b = new TestBench();
    const at = () => stationNow(b.state, progressOf(b.view));
    expect(at()).toBe("triage");
    b.do("job.opened", SAMPLES["job.opened"]);
    expect(at()).toBe("triage");
    b.do("triage.concluded", SAMPLES["triage.concluded"]);
    expect(at()).toBe("identify");
    b.do("identify.panelRead", SAMPLES["identify.panelRead"]);
    expect(at()).toBe("match");
    b.do("match.chosen", SAMPLES["match.chosen"]);
    b.do("match.ordered", SAMPLES["match.ordered"]);
    expect(at()).toBe("match");
    const planned = plannedJob("C");
    expect(stationNow(planned.state, progressOf(planned.view))).toBe("open");
    // A plan that is taken but not made yet on this page, and a job that has none.
    expect(stationNow(planned.state, null)).toBe("plan");
    expect(stationNow({ ...planned.state, plan: null }, progressOf(planned.view))).toBe("plan");
    const seen: string[] = [];
    planned.follow(() => {
      const station = stationNow(planned.state, progressOf(planned.view));
      if (seen.at(-1) !== station) seen.push(station);
      return false;
    });
    expect([...new Set(seen)]).toEqual(["open", "swap", "bond", "prove", "close"]);
    expect(stationNow(planned.state, progressOf(planned.view))).toBe("close");
  });
  it("a verdict that is not the panel stays at Triage", () => {
    const b = plannedJob("C");
    b.do("triage.concluded", { ...SAMPLES["triage.concluded"], verdict: "notPanel" });
    expect(stationNow(b.state, progressOf(b.view))).toBe("triage");
  });
});
