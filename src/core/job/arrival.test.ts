import { hashes, panels, plannedJob, TestBench } from "@tests/bench";
import { describe, expect, it } from "vitest";
import { stationNow } from "../teardown";
import { ARRIVAL_ITEMS, type ArrivalItem, changesOf, mayConnectPanel, panelIsHere } from ".";

const at = (b: TestBench) => stationNow(b.state, null);
const check = (b: TestBench, item: ArrivalItem, result: "good" | "absent" | "wrong", note = "") =>
  b.do("match.arrivalChecked", { item, result, note });

/** A family-C job with the panel out and its new one not yet on, its arrival check left to the caller. */
function panelOut(items: readonly ArrivalItem[]): TestBench {
  const b = plannedJob("C");
  const skip = new Set(ARRIVAL_ITEMS.filter((i) => i !== "code" && !items.includes(i)));
  b.events = b.events.filter((e) => !(e.type === "match.arrivalChecked" && skip.has(e.payload.item)));
  return b.follow((s) => s.panel === "out");
}

describe("the arrival check", () => {
  it("a panel is not connected until every one of the eight items was looked at", () => {
    for (const left of ARRIVAL_ITEMS.filter((i) => i !== "code")) {
      const b = panelOut(ARRIVAL_ITEMS.filter((i) => i !== left));
      expect(b.state.panel).toBe("out");
      expect(mayConnectPanel(b.view, "display-plug")?.reason, left).toMatch(
        new RegExp(`arrival check is not finished: look at ${left} in Match`),
      );
    }
    const whole = panelOut(ARRIVAL_ITEMS);
    expect(mayConnectPanel(whole.view, "display-plug")?.reason ?? "").not.toMatch(/arrival/i);
  });
  it("any item found wrong shuts the connector and names it, and correcting the check opens it again", () => {
    const b = panelOut(ARRIVAL_ITEMS);
    check(b, "tabs", "wrong", "two more than ordered");
    expect(mayConnectPanel(b.view, "display-plug")?.reason).toMatch(/tabs wrong \(two more than ordered\). Return the panel/);
    check(b, "tabs", "good");
    expect(mayConnectPanel(b.view, "display-plug")?.reason ?? "").not.toMatch(/arrival/i);
  });
  it("holds the job at Match until it is done", () => {
    const b = panelOut(["cracks"]);
    expect(panelIsHere(b.state)).toBe(false);
    expect(at(b)).toBe("match");
    for (const i of ARRIVAL_ITEMS) if (i !== "code") check(b, i, "good");
    expect(panelIsHere(b.state)).toBe(true);
    expect(at(b)).not.toBe("match");
    check(b, "cracks", "wrong", "crack");
    expect(at(b)).toBe("match");
  });
  it("wrong needs a word, cracks, code and connector are never absent, and the code is read, not ticked", () => {
    const b = plannedJob("C");
    const why = (item: ArrivalItem, result: string, note = "") => b.why("match.arrivalChecked", { item, result, note });
    expect(why("films", "wrong")).toMatch(/Say what is wrong/);
    for (const i of ["cracks", "code", "connector"] as const) expect(why(i, "absent"), i).toMatch(/good or wrong/);
    const fresh = new TestBench();
    fresh.events = b.events.filter((e) => e.type !== "match.arrived" && e.type !== "match.arrivalChecked");
    expect(fresh.why("match.arrivalChecked", { item: "code", result: "good", note: "" })).toMatch(/Read the code/);
    expect(fresh.why("match.arrived", { codeRead: "GV140FHB-K38" })).toMatch(/ordered was GV140FHB-K31/);
  });
  it("what was promised is not answered with none", () => {
    const b = withK36();
    expect(panels["gv140fhb-k36"]!.inTheBox.value).toContain("tape strips");
    expect(b.why("match.arrivalChecked", { item: "tape", result: "absent", note: "" })).toMatch(/none is not right/);
    expect(b.why("match.arrivalChecked", { item: "tape", result: "wrong", note: "no tape in the box" })).toBeNull();
    expect(b.why("match.arrivalChecked", { item: "brackets", result: "absent", note: "" })).toBeNull();
  });
});

/** A family-C job with a candidate that needs changes, ordered and checked in. */
function withK36(): TestBench {
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
  b.do("triage.signSeen", { finding: "cracks", outcome: "yes", tableHash: hashes.triage });
  b.do("triage.concluded", { verdict: "panel", fault: "panelCell", probability: 0.9, tableHash: hashes.triage });
  b.do("identify.panelRead", {
    way: "label",
    text: "x",
    code: "GV140FHB-K31",
    panelHash: hashes.panel["gv140fhb-k31"],
    source: "L",
  });
  b.do("match.chosen", {
    panelHash: hashes.panel["gv140fhb-k36"],
    code: "GV140FHB-K36",
    buildHash: hashes.build["ostrel-kestrel-14"],
  });
  b.do("match.ordered", {
    panelHash: hashes.panel["gv140fhb-k36"],
    seller: "Second Light",
    priceMinor: 6140,
    currency: "EUR",
    dueDays: 2,
    acceptedUnknowns: ["contactSide"],
    confirmed: true,
  });
  b.do("match.arrived", { codeRead: "GV140FHB-K36" });
  return b;
}

describe("a return", () => {
  it("takes back what was seen on that part, keeps what a datasheet said, and opens the order again", () => {
    const b = withK36();
    b.do("match.looked", { field: "contactSide", result: "agrees", source: "M", note: "" });
    check(b, "cracks", "wrong", "hairline");
    b.do("match.returned", { reason: "cracked", note: "hairline", kept: [] });
    const { match } = b.state;
    expect(match.order).toBeNull();
    expect(match.arrived).toBeNull();
    expect(match.arrival).toEqual({});
    expect(match.looks).toEqual({});
    expect(match.returns).toMatchObject([{ seller: "Second Light", code: "GV140FHB-K36", reason: "cracked" }]);
    expect(at(b)).toBe("match");
  });
  it("a look settled by a datasheet holds for the next one of the same code", () => {
    const b = withK36();
    b.do("match.looked", { field: "contactSide", result: "agrees", source: "D", note: "maker's sheet" });
    b.do("match.returned", { reason: "incomplete", note: "no tape", kept: [] });
    expect(b.state.match.looks.contactSide?.source).toBe("D");
  });
  it("is not taken twice, nor with no reason in words where the reason is other", () => {
    const b = withK36();
    expect(b.why("match.returned", { reason: "other", note: "", kept: [] })).toMatch(/Say why/);
    expect(b.why("match.returned", { reason: "neverCame", note: "", kept: [] })).toMatch(/checked in/);
    b.do("match.returned", { reason: "wrongPart", note: "", kept: [] });
    expect(b.why("match.returned", { reason: "wrongPart", note: "", kept: [] })).toMatch(/Nothing is on order/);
  });
  it("a seated panel is lifted out first", () => {
    const b = plannedJob("C").follow((s) => s.panel === "seated");
    expect(b.state.panel).toBe("seated");
    expect(b.why("match.returned", { reason: "deadOnTest", note: "", kept: [] })).toMatch(/Lift it out first/);
  });
});

describe("changes a panel asks for", () => {
  it("come with their part, minutes and cost, in the order of the table", () => {
    const b = withK36();
    const list = changesOf(b.view);
    expect(list.map((c) => c.field)).toEqual(["outline", "thicknessMm", "connectorAt"]);
    for (const c of list) {
      expect(c.part).not.toBe("");
      expect(c.minutes).toBeGreaterThan(0);
      expect(c.made).toBe(false);
    }
  });
});
