import { hashes, jobOn, panels, plannedJob, TestBench } from "@tests/bench";
import { describe, expect, it } from "vitest";
import { NOT_BY_EYE } from "../panel";
import { stationNow } from "../teardown";
import { ARRIVAL_ITEMS, type ArrivalItem, arrivalItems, changesOf, fitOf, mayConnectPanel, panelIsHere, seated } from ".";

const at = (b: TestBench) => stationNow(b.state, null);
const check = (b: TestBench, item: ArrivalItem, result: "good" | "absent" | "wrong", note = "") =>
  b.do("match.arrivalChecked", { item, result, note });

/** A family-C job with the panel out and its new one not yet on, its arrival check left to the caller. */
function panelOut(items: readonly ArrivalItem[]): TestBench {
  const b = plannedJob("C");
  const skip = new Set(ARRIVAL_ITEMS.filter((i) => i !== "code" && !items.includes(i)));
  b.events = b.events.filter((e) => !(e.type === "match.arrivalChecked" && skip.has(e.payload.item)));
  return b.follow((s) => s.subject === "out");
}

describe("the arrival check", () => {
  it("a panel is not connected until every one of the eight items was looked at", () => {
    for (const left of arrivalItems("panel").filter((i) => i !== "code")) {
      const b = panelOut(ARRIVAL_ITEMS.filter((i) => i !== left));
      expect(b.state.subject).toBe("out");
      expect(mayConnectPanel(b.view, "display-plug")?.reason, left).toMatch(
        new RegExp(`arrival check is not finished: look at ${left} in Match`),
      );
    }
    const whole = panelOut(ARRIVAL_ITEMS);
    expect(mayConnectPanel(whole.view, "display-plug")?.reason ?? "").not.toMatch(/arrival/i);
  });
  it("a whole lid's hinges and leads are looked at; tabs and tape are not asked of it; what is in is asked nothing more", () => {
    const left = (gone: readonly ArrivalItem[], until: (s: TestBench["state"]) => boolean) => {
      const b = jobOn("pellow-lune-13", "pd133wub-l08");
      b.events = b.events.filter((e) => !(e.type === "match.arrivalChecked" && gone.includes(e.payload.item)));
      return b.follow(until);
    };
    for (const item of ["hinges", "leads"] as const) {
      const b = left([item], (s) => s.subject === "out" || s.subject === "placed");
      expect(panelIsHere(b.state), item).toBe(false);
      expect(b.why("match.arrivalChecked", { item, result: "absent", note: "" })).toMatch(/A whole lid has/);
      expect(b.why("match.arrivalChecked", { item, result: "wrong", note: "" })).toMatch(/Say what is wrong/);
      expect(mayConnectPanel(b.view, "display-plug")?.reason).toMatch(new RegExp(`look at ${item} in Match`));
    }
    expect(panelIsHere(left(["tabs", "tape", "brackets"], (s) => s.subject === "out").state)).toBe(true);
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
    const b = plannedJob("C").follow((s) => seated(s));
    expect(b.state.subject).toBe("placed");
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

describe("what a look at the part in hand may say", () => {
  /** A job whose candidate is known to differ where a board can burn, arrived all the same. */
  const look = (field: string, result: "agrees" | "differs", source: "M" | "L" | "D" = "M", note = "") => {
    const b = withK36();
    b.do("match.looked", { field, result, source, note });
    return fitOf(b.view)!.rows.find((r) => r.field === field)!;
  };
  const rowsBefore = () => fitOf(withK36().view)!.rows;
  it("a look settles what was not known, either way, and its word is kept as the reason", () => {
    const open = rowsBefore().filter((r) => r.verdict === "unknown" && !NOT_BY_EYE.includes(r.field));
    expect(open.length).toBeGreaterThan(0);
    for (const r of open) {
      expect(look(r.field, "agrees"), r.field).toMatchObject({ verdict: "same", words: "looked at, agrees" });
      expect(look(r.field, "differs"), r.field).toMatchObject({ verdict: "stop", words: "looked at, differs" });
      expect(look(r.field, "agrees", "M", "held beside the old one").reason).toBe("held beside the old one");
      expect(look(r.field, "agrees").reason).toBe("Looked at on arrival.");
      expect(look(r.field, "differs").reason).toBe("The part in hand differs.");
    }
  });
  it("a look overturns nothing that is known: a stop stays a stop, a same stays the same", () => {
    const known = rowsBefore().filter((r) => r.verdict !== "unknown");
    expect(known.length).toBeGreaterThan(5);
    for (const r of known)
      for (const result of ["agrees", "differs"] as const)
        expect(look(r.field, result, NOT_BY_EYE.includes(r.field) ? "D" : "M", "seen"), r.field).toEqual(r);
  });
  it("agreeing with a known stop never opens the connector", () => {
    const v = withK36();
    v.do("plan.made", { buildHash: hashes.build["ostrel-kestrel-14"], goal: "subjectOut" });
    const hash = v.state.match.chosen!.panelHash;
    const cand = panels["gv140fhb-k36"]!;
    const other = cand.contacts.value === 30 ? 40 : 30;
    const stopped = { ...cand, contacts: { value: other, source: "L" as const } };
    const view = () => ({
      state: v.state,
      snapshots: { ...v.view.snapshots, [hash]: { kind: "panel" as const, data: stopped } },
    });
    expect(fitOf(view())!.rows.find((r) => r.field === "contacts")!.verdict).toBe("stop");
    v.do("match.looked", { field: "contacts", result: "agrees", source: "M", note: "counted them" });
    expect(fitOf(view())!.rows.find((r) => r.field === "contacts")!.verdict).toBe("stop");
    expect(fitOf(view())!.overall.kind).toBe("stop");
    expect(mayConnectPanel(view(), "display-plug")?.reason).toMatch(/Do not connect/);
  });
  it("a supply voltage is not settled by eye, not even by a record that came from outside", () => {
    const b = withK36();
    // A string's current has a row only where the board drives the light.
    for (const field of NOT_BY_EYE.filter((f) => f !== "ledCurrentMa")) {
      const row = () => fitOf({ state: b.state, snapshots: unknownSupply(b) })!.rows.find((r) => r.field === field)!;
      expect(row().verdict).toBe("unknown");
      b.events.push(b.make({ type: "match.looked", payload: { field, result: "agrees", source: "M", note: "" } }));
      expect(row().verdict, field).toBe("unknown");
      b.do("match.looked", { field, result: "agrees", source: "D", note: "maker's datasheet" });
      expect(row(), field).toMatchObject({ verdict: "same", reason: "maker's datasheet" });
    }
  });
});

/** The chosen panel with both supplies unknown. */
function unknownSupply(b: TestBench) {
  const nothing = { value: null, source: "D" as const };
  const data = { ...panels["gv140fhb-k36"]!, logicSupplyV: nothing, backlightSupplyV: nothing };
  return { ...b.view.snapshots, [b.state.match.chosen!.panelHash]: { kind: "panel" as const, data } };
}
