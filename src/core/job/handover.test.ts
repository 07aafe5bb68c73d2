import { hashes, jobOn, plannedJob, policy, type TestBench } from "@tests/bench";
import { describe, expect, it } from "vitest";
import { emptyState, handoverSheet } from ".";

const rows = (b: TestBench, title: string, minutes: number | null = 55) =>
  handoverSheet(b.view, minutes)!.sections.find((s) => s.title === title)?.rows ?? null;
const value = (b: TestBench, title: string, name: string) => rows(b, title)?.find((r) => r.name === name)?.value;
const mark = (kind: string, sizeMm: number) => ({
  kind,
  xMm: 40,
  yMm: 60,
  sizeMm,
  direction: kind === "lines" ? "vertical" : null,
  movesWithLid: false,
});

describe("the hand-over sheet says what the log says", () => {
  it("nothing before the job is opened; what is not known is said to be not known", () => {
    expect(handoverSheet({ state: emptyState(), snapshots: {} }, 55)).toBeNull();
    const b = plannedJob("C");
    const sheet = handoverSheet(b.view, null)!;
    expect(sheet).toMatchObject({ number: "H-1", customer: "Reading Room", machine: "Ostrel Kestrel 14", handedTo: null });
    expect(value(b, "Machine", "Serial")).toBe("not recorded");
    expect(value(b, "Machine", "As told")).toBe("nothing");
    expect(value(b, "Machine", "As found")).toBe("no damage marked");
    expect(value(b, "Screws and seams", "Screws")).toBe("0 out, 0 back");
    expect(value(b, "Screws and seams", "Seams looked at")).toBe("none");
    expect(value(b, "Screws and seams", "Lid stays at")).toBe("not checked");
    expect(rows(b, "Time", null)).toEqual([{ name: "Hands-on, expected (P50)", value: "no plan" }]);
    expect(rows(b, "Time", 54.6)).toEqual([{ name: "Hands-on, expected (P50)", value: "55 min" }]);
    expect(rows(b, "Condition when it came in")).toBeNull();
    expect(rows(b, "Pixel faults")).toEqual([{ name: "Found", value: "none" }]);
    expect(rows(b, "Tested before closing")!.map((r) => r.name)).toEqual(["Not tested"]);
  });
  it("damage, condition and what was agreed, with places in mm", () => {
    const b = plannedJob("C");
    b.do("triage.damageMarked", mark("crack", 20));
    b.do("triage.damageMarked", mark("dim", 45));
    b.do("triage.damageMarked", mark("deadTouch", 30));
    expect(value(b, "Machine", "As found")).toBe(
      "crack of about 20 mm, dim zone of about 45 mm and dead touch zone of about 30 mm",
    );
    b.do("triage.conditionNoted", { view: "base", kind: "missingFoot", xMm: 20.4, yMm: 190.6, note: "front left" });
    expect(rows(b, "Condition when it came in")).toEqual([{ name: "Missing foot", value: "base, 20, 191 mm: front left" }]);
    b.do("triage.intakeAgreed", { words: "", agreedBy: "Desk", login: "guest" });
    expect(rows(b, "Condition when it came in")!.slice(1)).toEqual([
      { name: "In the customer's words", value: "nothing" },
      { name: "Agreed by", value: "Desk" },
      { name: "How the test logs in", value: "guest mode" },
    ]);
    const c = plannedJob("C");
    c.do("triage.intakeAgreed", { words: "Fell", agreedBy: "Desk", login: "firmwareOnly" });
    expect(rows(c, "Condition when it came in")).toHaveLength(3);
    expect(value(c, "Condition when it came in", "In the customer's words")).toBe("Fell");
  });
  it("old and new panel, and where the new one came from", () => {
    const b = plannedJob("C");
    expect(rows(b, "Panel")!.slice(0, 2)).toEqual([
      { name: "Old", value: "GV140FHB-K31" },
      { name: "New", value: "GV140FHB-K31" },
    ]);
    expect(value(b, "Panel", "From")).toMatch(/^Brightwater Panels, .*84\.20/);
    b.do("match.returned", { reason: "other", note: "wrong hue", kept: [] });
    expect(value(b, "Panel", "From")).toBe("not ordered");
  });
  it("each check of both passes with its answer and note", () => {
    const b = plannedJob("C").until("proveOpen");
    const done = (check: string, result: string, note = "") => b.do("prove.checkDone", { pass: "open", check, result, note });
    done("picture", "pass");
    done("solid", "fail", "one row dark");
    const open = rows(b, "Tested before closing")!;
    expect(open[0]).toEqual({ name: "Holds", value: "Picture whole, right way up" });
    expect(open[1]).toEqual({ name: "Solid colours", value: "failed, one row dark" });
    expect(open.at(-1)!.name).toBe("Not tested");
    expect(open.at(-1)!.value).toContain("Even light");
    const closed = rows(b, "Tested closed up")!;
    expect(closed.map((r) => r.name)).toEqual(["Not tested"]);
    expect(closed[0]!.value).not.toContain("Picture whole");
    b.do("prove.checkDone", { pass: "open", check: "evennessPhoto", result: "deferred", note: "no phone at hand" });
    expect(rows(b, "Tested before closing")!).toContainEqual({
      name: "Evenness by photo",
      value: "left for later, no phone at hand",
    });
  });
  it("pixel faults with what they were held against and who took them", () => {
    const b = plannedJob("C").until("proveOpen");
    const tap = () => b.do("prove.faultTapped", { class: "dark", xMm: 40, yMm: 50, policyHash: hashes.policy });
    tap();
    expect(rows(b, "Pixel faults")).toEqual([
      { name: "Found", value: "1 fault: 1 dark" },
      { name: "Held against", value: policy.name },
    ]);
    tap();
    b.do("prove.faultsAccepted", { by: "Reading Room", reason: "small" });
    expect(rows(b, "Pixel faults")!.map((r) => r.value)).toEqual(["2 faults: 2 dark", policy.name, "Reading Room"]);
  });
  it("screws out, back, staying out, replaced and left over: none is lost between them", () => {
    const b = plannedJob("C").until("partOut:hinge-strip");
    expect(value(b, "Screws and seams", "Screws")).toBe("7 out, 0 back, 7 still out");
    b.until("screwsBack:base-screws");
    expect(value(b, "Screws and seams", "Screws")).toBe("7 out, 1 back, 6 still out");
    b.do("close.screwAccounted", { screw: "b1", as: "staysOut", reason: "boss cracked" });
    b.do("close.screwAccounted", { screw: "b2", as: "replaced", reason: "head worn" });
    b.do("close.screwAccounted", { screw: "b3", as: "missing", reason: "never there" });
    b.do("close.screwExtra", { words: "M2 x 3", settled: "from the desk" });
    const all = rows(b, "Screws and seams")!;
    expect(all[0]!.value).toBe("7 out, 2 back, 3 still out");
    expect(all.filter((r) => r.name === "Screw").map((r) => r.value)).toEqual([
      "base screws, hinge edge, left: stays out, boss cracked",
      "base screws, hinge edge, right: replaced, head worn",
      "base screws, front edge, 1st from left: missing, never there",
    ]);
    expect(all.find((r) => r.name === "Extra")!.value).toBe("M2 x 3: from the desk");
    b.until(null);
    expect(value(b, "Screws and seams", "Screws")).toBe("7 out, 5 back");
    expect(value(b, "Screws and seams", "Seams looked at")).toBe("left, right, top and bottom");
    expect(value(b, "Screws and seams", "Lid stays at")).toBe("120 degrees");
    expect(handoverSheet(b.view, 55)!.handedTo).toBe("Reading Room");
  });
  it("screws that are only loosened were never out", () => {
    const b = jobOn("tollund-cairn-11-cb");
    b.follow((s) => Object.values(s.screws).includes("loosened"));
    const before = value(b, "Screws and seams", "Screws")!;
    const loose = Object.values(b.state.screws).filter((x) => x === "loosened").length;
    const out = Object.values(b.state.screws).filter((x) => x === "out").length;
    expect(loose).toBeGreaterThan(0);
    expect(before).toBe(`${out} out, 0 back${out ? `, ${out} still out` : ""}`);
  });
  it("the cautions stand on every sheet", () => {
    const { cautions } = handoverSheet(plannedJob("C").view, 55)!;
    // What is said of new tape stands where tape was pressed.
    expect(cautions.join(" ")).not.toMatch(/three days/);
    expect(handoverSheet(plannedJob("C").until("seams").view, 55)!.cautions.join(" ")).toMatch(/three days/);
    expect(cautions.join(" ")).toMatch(/recycling under local rules/);
    expect(cautions.join(" ")).toMatch(/smells warm: switch off, mains out/);
  });
});
