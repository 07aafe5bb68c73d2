import { hashes, panels, plannedJob, snapshots, TestBench } from "@tests/bench";
import { describe, expect, it } from "vitest";
import { handoverSheet, mayHandOver, mayOrder, mayPullLiners, openBreaches, passStatus, powerOf } from ".";

/** A job up to the order, with this candidate chosen for a family-C machine. */
function chosen(candidate: string, oldHash: string | null = hashes.panel["gv140fhb-k31"]!): TestBench {
  const b = new TestBench();
  b.do("job.opened", {
    number: "H-9",
    customer: "Desk",
    words: "",
    machineModel: "Ostrel Kestrel 14",
    serial: "",
    promiseAt: null,
    happened: "",
  });
  b.do("identify.panelRead", { way: "label", text: "x", code: "GV140FHB-K31", panelHash: oldHash, source: "L" });
  b.do("match.chosen", {
    panelHash: hashes.panel[candidate],
    code: panels[candidate]!.code,
    buildHash: hashes.build["ostrel-kestrel-14"],
  });
  return b;
}
const order = (candidate: string, acceptedUnknowns: string[] = []) => ({
  panelHash: hashes.panel[candidate],
  seller: "Second Light",
  priceMinor: 1000,
  currency: "EUR",
  dueDays: 2,
  acceptedUnknowns,
  confirmed: true,
});

describe("ordering", () => {
  it("a stop is never ordered, however it is asked", () => {
    const b = chosen("pd140fht-40b1");
    expect(b.why("match.ordered", order("pd140fht-40b1", ["contacts", "pitchMm", "tabs"]))).toMatch(/must not be ordered/);
  });
  it("an unknown destroying field is accepted by name, or not at all", () => {
    const b = chosen("pd140fhb-u02");
    const all = ["family", "pitchMm", "contactSide", "logicSupplyV", "backlightSupplyV"];
    expect(b.why("match.ordered", order("pd140fhb-u02"))).toMatch(/Interface, Pitch/);
    expect(b.why("match.ordered", order("pd140fhb-u02", all.slice(1)))).toMatch(/^Interface not known/);
    expect(b.why("match.ordered", order("pd140fhb-u02", all))).toBeNull();
  });
  it("a difference is asked first, and a refusal holds", () => {
    const b = chosen("gv140fhb-k31g");
    expect(b.why("match.ordered", order("gv140fhb-k31g"))).toMatch(/Ask the customer first: finish glossy/);
    b.do("match.asked", { field: "finish", answer: "refused", by: "Desk" });
    expect(b.why("match.ordered", order("gv140fhb-k31g"))).toMatch(/Ask the customer/);
    b.do("match.asked", { field: "finish", answer: "accepted", by: "Desk" });
    expect(b.why("match.ordered", order("gv140fhb-k31g"))).toBeNull();
  });
  it("with the old panel not in the catalogue, nothing passes as the same", () => {
    const b = chosen("gv140fhb-k31", null);
    expect(mayOrder(b.view, [])?.reason).toMatch(/not known/);
  });
  it("a money stop holds the order until it is waived with a reason", () => {
    const b = chosen("gv140fhb-k31");
    b.do("triage.moneyStopRaised", { stop: "warranty", note: "" });
    expect(b.why("match.ordered", order("gv140fhb-k31"))).toMatch(/Warranty/);
    b.do("triage.moneyStopWaived", { stop: "warranty", reason: "Out of date since spring" });
    expect(b.why("match.ordered", order("gv140fhb-k31"))).toBeNull();
  });
  it("cover answered yes is a stop by itself; corrected to no it goes, one raised by hand stays", () => {
    const b = chosen("gv140fhb-k31");
    const cover = (c: "yes" | "no" | "unknown") =>
      b.do("triage.contextSet", { backlight: "led", touch: "no", age: "unknown", happened: "drop", cover: c });
    cover("yes");
    expect(b.why("match.ordered", order("gv140fhb-k31"))).toMatch(/Warranty/);
    cover("unknown");
    expect(b.why("match.ordered", order("gv140fhb-k31"))).toMatch(/Warranty/);
    cover("no");
    expect(b.why("match.ordered", order("gv140fhb-k31"))).toBeNull();
    b.do("triage.moneyStopRaised", { stop: "warranty", note: "sticker says so" });
    cover("no");
    expect(b.why("match.ordered", order("gv140fhb-k31"))).toMatch(/Warranty/);
  });
  it("an order for another panel than the chosen one is refused", () => {
    const b = chosen("gv140fhb-k31");
    expect(b.why("match.ordered", order("gv140fhb-k36"))).toMatch(/another panel/);
  });
});

describe("a look at the part in hand", () => {
  it("a supply voltage needs a named document, never an eye", () => {
    const b = chosen("pd140fhb-u02");
    b.do("match.ordered", order("pd140fhb-u02", ["family", "pitchMm", "contactSide", "logicSupplyV", "backlightSupplyV"]));
    b.do("match.arrived", { codeRead: "pd140fhb u02" });
    const look = (field: string, source: string, note = "") => ({ field, result: "agrees", source, note });
    expect(b.why("match.looked", look("logicSupplyV", "M", "looks alike"))).toMatch(/not settled by eye/);
    expect(b.why("match.looked", look("logicSupplyV", "D"))).toMatch(/Name the datasheet/);
    expect(b.why("match.looked", look("logicSupplyV", "D", "PD140FHB datasheet rev 2, p. 9"))).toBeNull();
    expect(b.why("match.looked", look("contactSide", "M"))).toBeNull();
  });
  it("a part that has not arrived cannot be looked at", () => {
    const b = chosen("pd140fhb-u02");
    expect(b.why("match.looked", { field: "contactSide", result: "agrees", source: "M", note: "" })).toMatch(/not arrived/);
  });
  it("one that differs is never connected", () => {
    const b = chosen("pd140fhb-u02");
    b.do("match.ordered", order("pd140fhb-u02", ["family", "pitchMm", "contactSide", "logicSupplyV", "backlightSupplyV"]));
    b.do("match.arrived", { codeRead: "PD140FHB-U02" });
    b.do("match.looked", { field: "contactSide", result: "differs", source: "M", note: "faces the glass" });
    b.do("plan.made", { buildHash: hashes.build["ostrel-kestrel-14"], goal: "subjectOut" });
    b.until("cableOn:display-plug");
    expect(b.why("swap.cableConnected", { connector: "display-plug", home: true })).toMatch(/Do not connect/);
  });
});

describe("isolation is a state with an end", () => {
  for (const [what, type] of [
    ["mains in", "bench.mainsIn"],
    ["a start", "bench.started"],
  ] as const)
    it(`${what} ends it`, () => {
      const b = plannedJob("B").until("screwsLoosen:hinge-screws");
      expect(powerOf(b.view).isolated).toBe(true);
      b.do(type);
      expect(powerOf(b.view)).toMatchObject({ isolated: false });
    });
  it("nothing recorded is not isolated", () => {
    const { missing, isolated } = powerOf(plannedJob("C").view);
    expect(isolated).toBe(false);
    expect(missing.join()).toMatch(/not recorded/);
  });
  it("the firmware's battery-off mode counts only where the build says it is enough", () => {
    expect(plannedJob("C").why("bench.batteryOff", { proven: true })).toMatch(/no battery-off mode/);
    const b = plannedJob("B");
    expect(b.why("bench.batteryOff", { proven: true })).toMatch(/mains out first/);
  });
});

describe("breaches", () => {
  it("hold connecting, liners, closing and hand-over until resolved", () => {
    const b = plannedJob("C").until("linerPull:tape-left-1");
    expect(mayPullLiners(b.view)).toBeNull();
    // Another device, offline, touched nothing that voids the test but did it while live.
    const late = b.make({ type: "open.screwOut", payload: { screw: "no-such" } });
    b.events.push(late);
    expect(openBreaches(b.state)).toHaveLength(1);
    expect(mayPullLiners(b.view)?.reason).toMatch(/breach is not resolved/);
    expect(mayHandOver(b.view)?.reason).toMatch(/breach/);
    b.do("job.breachResolved", { eventId: late.id, how: "Wrong screw named, none was out" });
    expect(mayPullLiners(b.view)).toBeNull();
  });
});

describe("closing", () => {
  it("over an open machine is refused whatever the outcome, saying what is open", () => {
    const b = plannedJob("C").until("cableOff:battery-plug");
    expect(b.why("job.closed", { outcome: "cancelled", reason: "customer" })).toMatch(
      /The machine is open: 7 screws out.*base cover off/,
    );
    const c = plannedJob("C").until("partOut:round-plug");
    expect(c.why("job.closed", { outcome: "cancelled", reason: "customer" })).toBeNull();
  });
  it("a screw that stays out needs its reason, and shows on the sheet", () => {
    const b = plannedJob("C").until("screwsBack:base-screws");
    b.do("close.screwAccounted", { screw: "b1", as: "staysOut", reason: "boss cracked" });
    b.until(null);
    const sheet = handoverSheet(b.view, 55)!;
    const text = JSON.stringify(sheet);
    expect(text).toContain("stays out, boss cracked");
    expect(text).toContain("7 out, 6 back");
  });
  it("too many faults hold the open pass until somebody accepts them by name", () => {
    const b = plannedJob("C").until("proveOpen");
    for (let i = 0; i < 5; i++) b.do("prove.faultTapped", { class: "bright", xMm: 10 * i, yMm: 20, policyHash: hashes.policy });
    for (const check of passStatus(b.view, "open").untested)
      b.do("prove.checkDone", { pass: "open", check: check.id, result: "pass", note: "" });
    expect(passStatus(b.view, "open")).toMatchObject({ complete: false, tooManyFaults: true });
    b.do("prove.faultsAccepted", { by: "Desk", reason: "only for text" });
    expect(passStatus(b.view, "open").complete).toBe(true);
    b.do("prove.faultTapped", { class: "bright", xMm: 99, yMm: 20, policyHash: hashes.policy });
    expect(passStatus(b.view, "open").complete).toBe(false);
  });
  it("a closed job takes notes and nothing else", () => {
    const b = plannedJob("C").until(null);
    b.do("job.closed", { outcome: "handedOver", reason: "" });
    expect(b.why("bench.mainsIn")).toMatch(/closed/);
    expect(b.why("job.noted", { text: "came back happy" })).toBeNull();
  });
});

describe("the loose test", () => {
  it("on battery needs the battery's plug on", () => {
    const b = plannedJob("C").until("looseTest");
    expect(b.why("swap.looseTested", { supply: "battery", picture: true, note: "" })).toMatch(/battery plug off/);
  });
  it("needs every cable of the panel, and a supply", () => {
    const b = plannedJob("C").until("cableOn:display-plug");
    expect(b.why("swap.looseTested", { supply: "mains", picture: true, note: "" })).toMatch(/Display plug still off/);
  });
  it("no mains while the new panel's connectors are off", () => {
    const b = plannedJob("C").until("cableOn:display-plug");
    expect(b.why("bench.mainsIn")).toMatch(/no mains yet/);
  });
});

describe("snapshots", () => {
  it("an event that relies on data not with the job is refused", () => {
    const b = plannedJob("C");
    expect(b.why("plan.rebuilt", { buildHash: "0".repeat(64), why: "found a screw" })).toMatch(/not with the job/);
    expect(Object.keys(snapshots).length).toBeGreaterThan(5);
  });
});
