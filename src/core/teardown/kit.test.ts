import { readFileSync } from "node:fs";
import { builds } from "@tests/bench";
import { describe, expect, it } from "vitest";
import { kitOf, withInches } from "./kit";
import { makePlan } from "./plan";
import { ToolStock } from "./toolStock";

const stock = ToolStock.parse(JSON.parse(readFileSync("data/reference/tools.json", "utf8")));
const kit = (id: string) => {
  const r = makePlan(builds[id]!);
  if (!r.ok) throw new Error(r.problem);
  return kitOf(r.plan.tools, stock);
};

describe("the kit", () => {
  it("names what the plan needs once each, nothing more, and what is missing", () => {
    for (const id of Object.keys(builds)) {
      const rows = kit(id);
      expect(new Set(rows.map((r) => r.name)).size, id).toBe(rows.length);
      for (const r of rows) expect(r.for).not.toBe("");
    }
    const kestrel = kit("ostrel-kestrel-14");
    expect(kestrel.every((r) => r.state === "have" || r.state === "used")).toBe(true);
    // 172 mm on the left, 70 and 88 on the right, each strip with its tail of 18 mm at the end it is drawn by.
    expect(kestrel.filter((r) => r.state === "used").map((r) => r.words)).toEqual(["Tape 4 × 0.5 mm, 366 mm"]);
    expect(kestrel.map((r) => r.name)).toEqual(expect.arrayContaining(["Hand blower", "Scissors", "Insulating tape"]));
  });
  it("names what glass, heat and old glue ask for, and the new tape of a bezel", () => {
    const unit = kit("isbrand-pivot-14-touch").map((r) => r.name);
    expect(unit).toEqual(
      expect.arrayContaining(["Cut-proof gloves", "Solvent for adhesive", "Lint-free cloth", "Heat source: gun, dryer or mat"]),
    );
    expect(kit("marrick-holm-15").find((r) => r.state === "used")?.words).toBe("Tape 4 × 0.3 mm, 300 mm");
    expect(kit("marrick-fjell-15").map((r) => r.name)).not.toContain("Insulating tape");
    expect(kit("pellow-lune-15").find((r) => r.name === "Cutting wire")?.state).toBe("missing");
  });
  it("of tape it names the roll and its place: the shortest that has it whole, else that none does", () => {
    const tools = [{ name: "Tape 4 × 0.5 mm", for: "a strip", mm: 366 }];
    const roll = (lot: string, leftMm: number, thicknessMm = 0.5) => ({
      lot,
      widthMm: 4,
      thicknessMm,
      leftMm,
      place: "drawer 2",
      expires: null,
    });
    const at = (rolls: Parameters<typeof kitOf>[2]) => kitOf(tools, stock, rolls)[0]!.at;
    expect(at([roll("R1", 9000), roll("R2", 400), roll("R3", 300)])).toBe("R2, drawer 2: 0.40 m");
    expect(at([roll("R3", 300), roll("R4", 200)])).toBe("R4, drawer 2: 0.20 m; R3, drawer 2: 0.30 m: no roll has it all in one");
    expect(at([roll("R5", 9000, 0.3)])).toBe("no roll of this width and thickness is counted here");
    expect(at([])).toMatch(/no roll/);
    expect(at(undefined)).toBeUndefined();
  });
  it("a substitute counts only if it is there, with what to mind", () => {
    const row = kit("pellow-lune-13").find((r) => r.name === "6-lobe T3")!;
    expect(row).toMatchObject({ state: "substitute" });
    expect(row.by).toContain("Slotted 1.0");
  });
  it("with no stock on record everything is to be fetched", () => {
    expect(kitOf([{ name: "Plastic pick", for: "x" }], null)[0]!.state).toBe("missing");
  });
  it("gives feelers in both units", () => {
    expect(withInches("Feeler 0.25 mm")).toBe("Feeler 0.25 mm (0.010 in)");
    expect(withInches("Soft cloth")).toBe("Soft cloth");
  });
});
