import { readdirSync, readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { orderedSteps, parseProcedure, procedureCard } from ".";

const shipped = readdirSync("data/demo/procedures").map((f) => {
  const read = parseProcedure(readFileSync(`data/demo/procedures/${f}`, "utf8"));
  if (!read.ok) throw new Error(f);
  return read.procedure;
});
const make = (steps: object[]) => {
  const read = parseProcedure(
    JSON.stringify({ format: "helvane.procedure", version: 1, id: "x", maker: "Tollund", source: "note", steps }),
  );
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  return read.procedure;
};

describe("the printed card of a procedure", () => {
  it("pairing as it is shipped: every window with its seconds and from where it begins again", () => {
    const pair = shipped.find((p) => p.id === "pellow-lid-then-panel")!;
    expect(procedureCard(pair).map((r) => [r.number, r.act, r.says])).toEqual([
      [1, "Start the maker test", ["With mains in, network there and lid open."]],
      [2, "Shut the lid", ["With mains in."]],
      [3, "Open the lid", ["18 s to 30 s after step 2.", "Too early: again from step 2.", "Too late: again from step 1."]],
      [
        4,
        "Bind the panel",
        ["With mains in, network there and lid open.", "Mains lost: again from step 1.", "Network lost: again from step 4."],
      ],
    ]);
  });
  it("steps written out of order stand in one that keeps what comes after what, windows too; numbers are of the card", () => {
    const p = make([
      { id: "c", act: "Third", after: ["b"] },
      { id: "b", act: "Second", window: { since: "a", atLeastS: 600 } },
      { id: "a", act: "First" },
    ]);
    expect(orderedSteps(p).map((s) => s.id)).toEqual(["a", "b", "c"]);
    expect(procedureCard(p)[1]).toEqual({ number: 2, act: "Second", says: ["Not before 10 min after step 1."] });
  });
  it("every procedure that ships has a card with all its steps and no step without its number", () => {
    for (const p of shipped) {
      const card = procedureCard(p);
      expect(card.map((r) => r.act).sort()).toEqual(p.steps.map((s) => s.act).sort());
      expect(card.flatMap((r) => r.says).join(" ")).not.toContain("undefined");
    }
  });
});
