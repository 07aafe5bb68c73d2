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
