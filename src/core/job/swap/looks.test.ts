import { jobOn, plannedJob } from "@tests/bench";
import { tryBuild } from "@tests/tryBuild";
import { describe, expect, it } from "vitest";
import { progressOf } from "../../teardown";
import { looseTestMissing } from "./connect";
import { looseLooks } from "./looks";

const picture = { supply: "mains", picture: true, note: "" };
const atTest = (id = "isbrand-pivot-14-touch") => jobOn(id).until("looseTest");

describe("what the new part carries is tried while it lies loose", () => {
  it("a front unit: picture, then touch; liners wait for both", () => {
    const b = atTest();
    expect(looseLooks(b.view)).toEqual(["touch"]);
    expect(b.why("swap.looseSeen", { look: "touch", works: true })).toMatch(/Picture first/);
    b.do("swap.looseTested", picture);
    expect(looseTestMissing(b.view)).toMatch(/^Try touch in the loose test/);
    expect(progressOf(b.view)?.now?.id).toBe("looseTest");
    b.do("swap.looseSeen", { look: "touch", works: true });
    expect(looseTestMissing(b.view)).toBeNull();
    expect(progressOf(b.view)?.now?.id).toBe("shutDown:bond");
  });

  it("dead touch is no test: nothing is stuck, its lead is looked at, and all is tried again", () => {
    const b = atTest();
    b.do("swap.looseTested", picture);
    b.do("swap.looseSeen", { look: "touch", works: false });
    expect(looseTestMissing(b.view)).toMatch(/touch did not work/);
    b.do("bench.shutDown");
    b.do("bench.mainsOut");
    b.do("bench.drained", { seconds: 10 });
    expect(b.why("bond.linerPulled", { piece: "tape-left-1" })).toMatch(/touch did not work/);
    b.do("swap.cableDisconnected", { connector: "touch-ribbon" });
    b.do("swap.cableConnected", { connector: "touch-ribbon", home: true });
    expect(looseTestMissing(b.view)).toMatch(/touched after the loose test/);
    b.until("looseTest");
    b.do("swap.looseTested", picture);
    // What was said of the test before says nothing of this one.
    expect(looseTestMissing(b.view)).toMatch(/^Try touch/);
    b.until("rehearse");
    expect(b.state.looseTest?.looks).toEqual({ touch: true });
  });

  it("a camera whose lead goes to the new part is tried as well", () => {
    tryBuild("camera-on-the-unit", "isbrand-pivot-14-touch", (x) => {
      const lead = x.connectors.find((c) => c.id === "camera-ribbon")!;
      lead.serves = "camera";
    });
    const b = atTest("camera-on-the-unit");
    b.do("swap.looseTested", picture);
    expect(looseTestMissing(b.view)).toMatch(/^Try touch and the camera/);
    b.do("swap.looseSeen", { look: "camera", works: true });
    expect(looseTestMissing(b.view)).toMatch(/^Try touch in/);
  });

  it("a plain panel shows its picture and nothing else", () => {
    const b = plannedJob("C").until("looseTest");
    expect(looseLooks(b.view)).toEqual([]);
    b.do("swap.looseTested", picture);
    expect(b.why("swap.looseSeen", { look: "touch", works: true })).toMatch(/nothing to show of touch/);
    expect(looseTestMissing(b.view)).toBeNull();
  });
});
