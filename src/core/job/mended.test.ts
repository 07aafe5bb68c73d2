import { builds, jobOn, plannedJob, type TestBench } from "@tests/bench";
import { tryBuild } from "@tests/tryBuild";
import { describe, expect, it } from "vitest";
import { mendId } from "../build";
import { progressOf } from "../teardown";
import { curing, handoverSheet, leftMin, pauseCard } from ".";

const HOUR = 3_600_000;
const glue = (over: object = {}) => ({ part: "bezel", what: "frame", how: "two-part glue, clamped", cureMin: 60, ...over });
const act = (b: TestBench) => mendId(b.state.mends[0]!);

describe("a mend in the middle of a job", () => {
  it("waits only for what would load it: everything else goes on, and it is seen to hold before that goes on", () => {
    const b = plannedJob("C").until("partOut:panel");
    const before = progressOf(b.view)!.plan;
    b.do("open.mended", glue());
    const { plan } = progressOf(b.view)!;
    expect(plan.out.map((s) => s.id)).toEqual(before.out.map((s) => s.id));
    const ids = plan.in.map((s) => s.id);
    expect(ids.filter((x) => !before.in.some((s) => s.id === x))).toEqual([`backAct:${act(b)}`]);
    expect(ids.indexOf(`backAct:${act(b)}`)).toBeLessThan(ids.indexOf("partBack:bezel"));
    // The loose test and the tape are done meanwhile, without an hour of waiting.
    b.follow((_, now) => now === `backAct:${act(b)}`);
    expect(b.why("swap.backActDone", { act: act(b) })).toMatch(/It cures for 1 h.*left\. Clamp on, go on with the rest/);
    expect(b.why("close.partBack", { part: "bezel" })).toMatch(/The crack in the frame of bezel still cures: nothing loads it/);
    b.ms += HOUR;
    b.follow((s) => s.parts.bezel === "back");
    expect(curing(b.view)).toEqual([]);
    b.follow(() => false);
    b.do("job.closed", { outcome: "handedOver", reason: "" });
    expect(b.state.breaches).toEqual([]);
    // The next one who opens it, and the customer, are told.
    const rows = handoverSheet(b.view, null)!.sections.flatMap((x) => x.rows);
    expect(rows).toContainEqual({ name: "Mended", value: "crack in the frame of bezel, two-part glue, clamped" });
  });
  it("a boss keeps its screws out, and no others", () => {
    const b = plannedJob("C").until("partOut:panel");
    const group = builds["ostrel-kestrel-14"]!.screwGroups.find((g) => g.holds === "base-cover")!;
    b.do("open.mended", glue({ part: "base-cover", group: group.id, what: "boss", cureMin: 30 }));
    b.ms += HOUR / 4;
    b.follow((_, now) => now === `backAct:${act(b)}`);
    const screw = group.screws[0]!.id;
    expect(b.why("close.screwBack", { screw })).toMatch(/still cures|back first/);
    b.ms += HOUR;
    b.follow(() => false);
    b.do("job.closed", { outcome: "handedOver", reason: "" });
  });
  it("a clip put in waits for nothing", () => {
    const b = plannedJob("C").until("partOut:panel");
    const steps = progressOf(b.view)!.steps.length;
    b.do("open.mended", glue({ what: "clip", how: "", cureMin: 0 }));
    expect(progressOf(b.view)!.steps.length).toBe(steps);
    expect(curing(b.view)).toEqual([]);
  });
  it("is waited for as well when the machine is closed again, and stands on the pause card", () => {
    const b = jobOn("ostrel-kestrel-14").until("partOut:panel");
    b.do("open.mended", glue());
    expect(pauseCard(b.view).sections.find((s) => s.title === "Cures")!.lines[0]).toMatch(
      /Bezel, crack in the frame: clamp on for 60 min/,
    );
    b.do("plan.aimed", { aim: "close", why: "" });
    expect(progressOf(b.view)!.steps.map((s) => s.step.id)).toContain(`backAct:${act(b)}`);
    b.ms += HOUR;
    b.follow((s) => s.plan?.aim !== "close");
    expect(b.state.parts).toEqual({});
    expect(b.why("job.closed", { outcome: "cancelled", reason: "x" })).toBeNull();
  });
  it("a shell that never moves holds back the seating, of a new one as of the old", () => {
    for (const old of [false, true]) {
      const own = tryBuild(`mended-shell-${old}`, "ostrel-kestrel-14", (x) => {
        x.parts.push({
          id: "shell",
          name: "Lid shell",
          view: "lid",
          role: "other",
          blockedBy: [],
          either: [],
          backNeedsIsolation: false,
        });
      });
      const b = jobOn(own.id).follow((s) => s.subject === "out");
      b.do("open.mended", glue({ part: "shell" }));
      const id = `backAct:${act(b)}`;
      if (old) {
        b.do("plan.aimed", { aim: "close", why: "" });
        expect(progressOf(b.view)!.now!.id).toBe(id);
        expect(b.why("swap.oldBack", { part: "panel" })).toMatch(/The crack in the frame of lid shell still cures/);
      } else b.follow((_, now) => now === id);
      b.ms += HOUR;
      b.follow((s) => (old ? s.plan?.aim !== "close" : false));
      if (!old) b.do("job.closed", { outcome: "handedOver", reason: "" });
      expect(b.state.breaches).toEqual([]);
    }
  });
  it("nothing is glued live, around screws that are in, on what is replaced, or on what is not there", () => {
    const b = plannedJob("C");
    expect(b.why("open.mended", glue())).toMatch(/live machine/);
    b.until("partOut:panel");
    const inStill = builds["ostrel-kestrel-14"]!.screwGroups.find((g) => g.screws.every((x) => !b.state.screws[x.id]));
    if (inStill) expect(b.why("open.mended", glue({ group: inStill.id }))).toMatch(/out first, then glue/);
    expect(b.why("open.mended", glue({ part: "panel" }))).toMatch(/not mended/);
    expect(b.why("open.mended", glue({ part: "ghost" }))).toMatch(/ghost/);
    expect(b.why("open.mended", glue({ group: "ghost" }))).toMatch(/ghost/);
  });
  it("the wait is told in minutes of the log's own clock", () => {
    const m = { cureMin: 10, clock: `${String(1_000_000).padStart(15, "0")}-000000` };
    expect(leftMin(m, 1_000_000)).toBe(10);
    expect(leftMin(m, 1_000_000 + 9 * 60_000)).toBeCloseTo(1, 9);
    expect(leftMin(m, 1_000_000 + HOUR)).toBe(0);
  });
});
