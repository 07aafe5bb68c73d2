import { readdirSync, readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { makePlan } from "@/core/teardown";
import { builds } from "./bench";

/** What a list counts: one act to a full stop. */
const acts = (text: string): string[] =>
  text
    .replace(/\s+/g, " ")
    .split(/\.(?: |$)/)
    .map((x) => x.trim())
    .filter(Boolean);

/** Steps a plan may have to each act of a list. */
const MOST = 1.5;

describe("no plan is padded: held against what two people count at the bench", () => {
  const files = readdirSync("tests/handLists").filter((f) => f.endsWith(".txt"));
  it("every machine of the demo has its lists", () => {
    expect(files.map((f) => f.replace(".txt", "")).sort()).toEqual(
      Object.keys(builds)
        .filter((id) => !id.startsWith("try-"))
        .sort(),
    );
  });
  for (const file of files) {
    const [, book = "", quick = ""] = readFileSync(`tests/handLists/${file}`, "utf8").split(/^By the book$|^Quick$/m);
    const made = makePlan(builds[file.replace(".txt", "")]!);
    if (!made.ok) throw new Error(`${file}: ${made.problem}`);
    const steps = made.plan.out.length + made.plan.in.length;
    it(`${file}: ${steps} steps to ${acts(book).length} acts by the book and ${acts(quick).length} of a quick hand`, () => {
      expect(acts(quick).length).toBeGreaterThan(20);
      expect(acts(book).length).toBeGreaterThan(acts(quick).length);
      expect(steps / acts(book).length).toBeLessThanOrEqual(MOST);
      expect(steps / acts(quick).length).toBeLessThanOrEqual(MOST);
      // Nor is anything of what both count left out of it.
      expect(steps / acts(quick).length).toBeGreaterThanOrEqual(1);
    });
  }
});
