import { describe, expect, it } from "vitest";
import { answerTrouble, readOrderAnswer } from ".";

const asked = [
  { line: "B-7/1", code: "GV140FHB-K31", count: 3 },
  { line: "B-7/2", code: "tape 4x0.5", count: 10_000 },
];
const whole = [
  { line: "B-7/1", code: "gv140fhb k31", count: 3, days: 4 },
  { line: "B-7/2", code: "tape 4x0.5", count: 10_000, days: 4 },
];
const said = (rows: unknown[], due = 4) => readOrderAnswer(asked, due, "shipped", rows);

describe("what a seller answers of an order", () => {
  it("all of it, as ordered, in time: nothing stands against it, however the code is written", () => {
    expect(answerTrouble(said(whole))).toEqual([]);
    expect(said(whole)).toMatchObject({ is: "shipped", inDays: 4, silent: [], problems: [] });
  });
  it("short, wrong and late are told apart, each with its amount", () => {
    expect(answerTrouble(said([{ ...whole[0], count: 2 }, whole[1]]))).toEqual(["2 of 3 GV140FHB-K31 go out now, 1 later."]);
    expect(answerTrouble(said([{ ...whole[0], count: 0 }, whole[1]]))).toEqual(["Nothing of GV140FHB-K31 goes out now."]);
    expect(answerTrouble(said([{ ...whole[0], code: "GV140FHB-K32" }, whole[1]]))[0]).toMatch(
      /^GV140FHB-K32 goes out for GV140FHB-K31: not/,
    );
    expect(answerTrouble(said([{ ...whole[0], days: 9 }, whole[1]]))).toEqual([
      "GV140FHB-K31 is here in 9 days: 5 days later than he said.",
    ]);
    // Overdue already: late is counted from today.
    expect(said([{ ...whole[0], days: 1 }, whole[1]!], -3).lines[0]!.lateDays).toBe(1);
    // A dot is part of a size: 0.5 and 05 are two tapes.
    expect(said([whole[0], { ...whole[1], code: "tape 4x05" }]).lines[1]!.wrong).toBe(true);
  });
  it("a line of which nothing is said is silent, and what cannot be read is named and left out", () => {
    const r = said([
      whole[0],
      { line: "B-9/1", code: "x1", count: 1, days: 1 },
      whole[0],
      { line: "B-7/2", code: "t", count: "many", days: 1 },
      "no",
    ]);
    expect(r.lines.map((l) => l.line)).toEqual(["B-7/1"]);
    expect(r.silent).toEqual(["B-7/2"]);
    expect(r.problems).toHaveLength(4);
    expect(r.problems[0]).toMatch(/Row 2: this order has no open line "B-9\/1"/);
    expect(r.problems[2]).toMatch(/^Row 4, count/);
    expect(answerTrouble(r)).toContain("Nothing is said of B-7/2.");
    expect(said([]).inDays).toBeNull();
  });
});
