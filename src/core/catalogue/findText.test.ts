import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { findCost, wordsOf } from "./findText";

const job = ["H-2417", "Reading Room, ground floor", "Ostrel Kestrel 14", "QH-77B-0192", "GV140FHB-K31", null];
const other = ["H-2418", "Loans desk", "Pellow Lune 13", "PL13-5520", "GV133QHA-T02", null];

describe("finding by what is typed", () => {
  it.each([
    ["the number as it stands", "H-2417"],
    ["the number as it is said", "2417"],
    ["a beginning", "read"],
    ["words in another order", "floor reading"],
    ["another case, without marks", "gv140fhbk31"],
    ["a code cut up by hand", "gv 140 fhb"],
    ["characters taken for each other", "GVI4OFHB"],
    ["a slip", "kestral"],
    ["two characters changed about", "kesterl"],
    ["a serial without its dashes", "qh77b0192"],
    ["words of two fields", "kestrel reading"],
  ])("%s", (_, typed) => {
    expect(findCost(typed, job)).not.toBeNull();
    const theirs = findCost(typed, other);
    expect(theirs === null || theirs > findCost(typed, job)!).toBe(true);
  });
  it("what is not there is not found: every word counts", () => {
    for (const typed of ["lune reading", "4711", "xyz", "kestrel lune", "", "  - "])
      expect(findCost(typed, job), typed).toBeNull();
  });
  it("accents and case do not count", () => {
    expect(wordsOf("Bücherei Zürich")).toEqual(["bucherei", "zurich"]);
    expect(findCost("zurich", ["Bücherei Zürich"])).toBe(0);
    expect(findCost("BÜCHEREI", ["bucherei"])).toBe(0);
  });
  it("the nearer comes first: itself, then its beginning, then a part, then a slip", () => {
    const costs = ["kestrel", "kest", "estre", "kestral"].map((t) => findCost(t, job)!);
    expect(costs).toEqual([...costs].sort((a, b) => a - b));
    expect(new Set(costs).size).toBe(4);
  });
  it("short words have no room for a slip", () => {
    expect(findCost("lum", ["Lune"])).toBeNull();
    expect(findCost("13", ["14"])).toBeNull();
  });
  it("never throws, and a thing always answers each of its own words", () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 30 }), fc.array(fc.string({ maxLength: 20 }), { maxLength: 4 }), (typed, fields) => {
        findCost(typed, fields);
        for (const f of fields) for (const w of wordsOf(f)) expect(findCost(w, fields)).toBe(0);
      }),
    );
  });
});
