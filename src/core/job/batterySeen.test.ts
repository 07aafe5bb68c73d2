import { builds, causeTable, hashes, jobOn, plannedJob } from "@tests/bench";
import { tryBuild } from "@tests/tryBuild";
import { describe, expect, it } from "vitest";
import { seenAtHome } from "../build";
import { rankCauses, seenBy } from "../causes";
import { makePlan, progressOf } from "../teardown";
import { buildOf, checksOf, passStatus } from "./derived";
import { feedsOf, looseSeenGood } from "./feeds";

const battery = { pass: "open", check: "battery", note: "" };
const atPlug = () => plannedJob("C").until("cableOn:battery-plug");

describe("the battery is seen before the base cover goes on", () => {
  it("the open pass runs on mains alone: it does not ask for it, and says so", () => {
    const b = plannedJob("C").until("proveOpen");
    const open = passStatus(b.view, "open");
    expect(open.untested.map((c) => c.id)).not.toContain("battery");
    expect(open.atHome.map((c) => c.id)).toEqual(["battery"]);
    expect(b.why("prove.checkDone", { ...battery, result: "pass" })).toMatch(/looked at once battery plug is home/);
  });

  it("plug home, mains, seen, off again, then the cover: and the cover waits for each", () => {
    const b = atPlug();
    const cover = { part: "base-cover" };
    b.do("swap.cableConnected", { connector: "battery-plug", home: true });
    expect(b.why("close.partBack", cover)).toMatch(/Battery seen.*its plug lies under base cover/);
    expect(progressOf(b.view)?.now?.id).toBe("mainsIn:home");
    b.until("batterySeen");
    expect(b.state.bench.mains).toBe("in");
    b.do("prove.checkDone", { ...battery, result: "pass" });
    expect(b.why("close.partBack", cover)).toMatch(/Shut down and take the mains out/);
    expect(progressOf(b.view)?.now?.id).toBe("shutDown:home");
    b.until("partBack:base-cover");
    expect(b.state.bench).toMatchObject({ mains: "out", shutDown: true });
    expect(b.why("close.partBack", cover)).toBeNull();
    b.until("proveClosed");
    // Behind the cover it is looked at once more: charging, and two minutes on it alone.
    expect(passStatus(b.view, "closed").untested.map((c) => c.id)).toContain("battery");
    expect(passStatus(b.view, "open").complete).toBe(true);
  });

  it("not there: nothing closes, and the sense lead is named first", () => {
    const b = atPlug();
    b.do("swap.cableConnected", { connector: "battery-plug", home: true });
    b.until("batterySeen");
    b.do("prove.checkDone", { ...battery, result: "fail" });
    expect(passStatus(b.view, "open").failed.map((c) => c.id)).toEqual(["battery"]);
    b.do("bench.shutDown");
    b.do("bench.mainsOut");
    expect(b.why("close.partBack", { part: "base-cover" })).toMatch(/battery seen/i);
    const ask = { feeds: feedsOf(b.view), looseGood: looseSeenGood(b.view), seen: seenBy("battery"), opened: true };
    expect(rankCauses(causeTable, ask).ranking[0]?.cause).toBe("batterySense");
  });

  it("the plug drawn again: what was seen on it is looked at anew", () => {
    const b = atPlug().until("partBack:base-cover");
    b.do("swap.cableDisconnected", { connector: "battery-plug" });
    expect(passStatus(b.view, "open").atHome.map((c) => c.id)).toEqual(["battery"]);
    b.do("swap.cableConnected", { connector: "battery-plug", home: true });
    expect(b.why("close.partBack", { part: "base-cover" })).toMatch(/its plug lies under base cover/);
    b.until("handOver");
    expect(passStatus(b.view, "open").complete).toBe(true);
  });

  it("a cowl over the plug waits as the cover does: for the look, and while it failed", () => {
    const b = jobOn("pellow-lune-13").until("cableOn:battery-plug");
    b.do("swap.cableConnected", { connector: "battery-plug", home: true });
    const cowl = { part: "battery-cowl" };
    expect(b.why("close.partBack", cowl)).toMatch(/look now, its plug lies under/);
    b.until("batterySeen");
    b.do("prove.checkDone", { ...battery, result: "fail" });
    b.do("bench.shutDown");
    b.do("bench.mainsOut");
    expect(b.why("close.partBack", cowl)).toMatch(/failed, its plug lies under/);
  });

  it("no answer is no look", () => {
    const b = atPlug();
    b.do("swap.cableConnected", { connector: "battery-plug", home: true });
    b.until("batterySeen");
    b.do("prove.checkDone", { ...battery, result: "unclear" });
    expect(progressOf(b.view)?.now?.id).toBe("batterySeen");
    expect(b.why("prove.checkDone", { ...battery, result: "deferred", note: "later" })).toMatch(/cannot be left for later/);
  });
});

describe("where nobody has to look at the plug", () => {
  const planned = (id: string) => makePlan(builds[id]!);
  it("a bay pack is seen closed up: it comes out again by two latches", () => {
    const plan = planned("marrick-fjell-15");
    expect(plan.ok && plan.plan.in.some((s) => s.kind === "batterySeen")).toBe(false);
  });

  it("a pack that feeds the open pass is seen in it", () => {
    const build = tryBuild("fed-by-its-pack", "ostrel-kestrel-14", (x) => {
      x.isolation.testSupply = "mainsAndBattery";
    });
    const b = jobOn("fed-by-its-pack").until("proveOpen");
    expect(seenAtHome(buildOf(b.view)!)).toEqual([]);
    expect(passStatus(b.view, "open").untested.map((c) => c.id)).toContain("battery");
    expect(build.isolation.testSupply).toBe("mainsAndBattery");
  });

  it("a job held to the checks of before has no such look, and closes as it did", () => {
    const b = plannedJob("C");
    const plan = b.events.findIndex((e) => e.type === "plan.made");
    const { checksHash: _, ...rest } = b.events[plan]!.payload as { checksHash?: string };
    expect(hashes.build["ostrel-kestrel-14"]).toBeDefined();
    b.events[plan] = { ...b.events[plan]!, payload: rest } as never;
    b.until("handOver");
    expect(checksOf(b.view).some((c) => c.home)).toBe(false);
  });
});
