import { hashes, plannedJob } from "@tests/bench";
import { SAMPLES } from "@tests/samples";
import { describe, expect, it } from "vitest";

const screw = (id: string) => ({ screw: id });
const connector = (id: string) => ({ connector: id });

describe("before hands go in", () => {
  it("an order, an arrival and a return each have their time", () => {
    const b = plannedJob("C");
    expect(b.why("match.chosen", SAMPLES["match.chosen"])).toMatch(/on order/);
    expect(b.why("match.arrived", { codeRead: "GV140FHB-K36" })).toMatch(/label reads GV140FHB-K36; ordered was GV140FHB-K31/);
    const looked = (item: string, result: string, note = "") => b.why("match.arrivalChecked", { item, result, note });
    expect(looked("cracks", "absent")).toMatch(/Cracks are looked at on every panel/);
    expect(looked("connector", "absent")).toMatch(/The connector is looked at/);
    expect(looked("films", "wrong")).toMatch(/Say what is wrong/);
    expect(looked("films", "wrong", "scratched")).toBeNull();
    const waiting = plannedJob("C");
    waiting.do("match.returned", { reason: "other", note: "wrong hue", kept: [] });
    waiting.do("match.ordered", SAMPLES["match.ordered"]);
    const code = (result: string, note: string) => waiting.why("match.arrivalChecked", { item: "code", result, note });
    expect(code("good", "")).toMatch(/Read the code off the label/);
    expect(code("wrong", "another code")).toBeNull();
    waiting.do("match.arrived", { codeRead: "GV140FHB-K31" });
    expect(code("good", "")).toBeNull();
    expect(code("absent", "")).toMatch(/The code is looked at on every panel/);
    const back = (reason: string, note = "", kept: string[] = []) => b.why("match.returned", { reason, note, kept });
    expect(back("neverCame")).toMatch(/It was checked in/);
    expect(back("other")).toBe("Say why it goes back.");
    expect(back("other", "wrong hue")).toBeNull();
    expect(back("cracked")).toBeNull();
    b.until("mainsIn:test");
    expect(back("cracked")).toMatch(/Take it off first: display plug/);
    b.until("drain:bond");
    b.do("bench.drained", { seconds: 10 });
    b.do("swap.cableDisconnected", connector("display-plug"));
    expect(back("cracked")).toMatch(/Moved over to it: earth foil/);
    expect(back("cracked", "", ["earth-foil"])).toBeNull();
    b.do("match.returned", { reason: "cracked", note: "", kept: ["earth-foil"] });
    expect(b.state.transplanted).toEqual({});
    expect(b.state.looseTest).toBeNull();
    expect(back("cracked")).toBe("Nothing is on order.");
    expect(looked("films", "good")).toBe("Nothing is on order.");
    expect(b.why("match.arrived", { codeRead: "GV140FHB-K31" })).toBe("Nothing is on order.");
  });
  it("strips laid for a panel that goes back are not laid for the next one", () => {
    const b = plannedJob("C").until("rehearse");
    expect(Object.keys(b.state.bond.laid)).toHaveLength(3);
    b.do("swap.cableDisconnected", connector("display-plug"));
    b.do("match.returned", { reason: "cracked", note: "", kept: ["earth-foil"] });
    expect(b.state.bond.laid).toEqual({});
    expect(b.state.match.arrival).toEqual({});
  });
  it("a seated panel is not sent back", () => {
    const b = plannedJob("C").until("press");
    expect(b.why("match.returned", { reason: "cracked", note: "", kept: ["earth-foil"] })).toMatch(/Lift it out first/);
  });
  it("a build is changed only on a whole machine, for its own", () => {
    const b = plannedJob("C");
    const own = hashes.build["ostrel-kestrel-14"]!;
    expect(b.why("plan.made", { buildHash: own, goal: "subjectOut" })).toMatch(/There is a plan already/);
    expect(b.why("plan.rebuilt", { buildHash: hashes.build["marrick-holm-15"]!, why: "x" })).toMatch(/build of Marrick Holm 15/);
    expect(b.why("plan.rebuilt", { buildHash: own, why: "x" })).toBeNull();
    b.do("open.screwOut", screw("b1"));
    expect(b.why("plan.rebuilt", { buildHash: own, why: "x" })).toMatch(/^screw at hinge edge, left was dealt with already/i);
    b.do("open.screwOut", screw("b2"));
    expect(b.why("plan.rebuilt", { buildHash: own, why: "x" })).toMatch(/were dealt with already/);
  });
  it("a meter is read where the table has a point for it", () => {
    const b = plannedJob("C");
    const read = (point: string, mode: string) =>
      b.why("triage.meterRead", { point, mode, value: 1, by: "hand", tableHash: hashes.triage });
    expect(read("no-such", "dcVolts")).toMatch(/The table has no .* at "no-such"/);
  });
  it("what was never raised is not made safe, waived or resolved", () => {
    const b = plannedJob("C");
    expect(b.why("job.madeSafe", SAMPLES["job.madeSafe"])).toBe("That was never raised.");
    expect(b.why("triage.moneyStopWaived", SAMPLES["triage.moneyStopWaived"])).toBe("That stop was never raised.");
    expect(b.why("job.breachResolved", SAMPLES["job.breachResolved"])).toBe("There is no such breach.");
    expect(b.why("quote.chosen", { ...SAMPLES["quote.chosen"], p80Minor: 5999 })).toMatch(/under half the expected price/);
    expect(b.why("quote.chosen", { ...SAMPLES["quote.chosen"], p80Minor: 6000 })).toBeNull();
  });
});
