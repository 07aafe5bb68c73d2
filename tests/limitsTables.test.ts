import { describe, expect, it } from "vitest";
import { Find } from "@/core/build/findSchema";
import { Machine, Offer, SellerTerms } from "@/core/catalogue/machine";
import { CodeGrammar } from "@/core/panel/codeGrammar";
import { holdLimits, type Row } from "./limits";

/** What the shop's small tables allow, field by field; see limits.test.ts. */
const LIMITS: Record<string, Row[]> = {
  Machine: [
    ["letters", 1, 60, "model"],
    ["letters", null, 40, "codes.0"],
    ["whole", 0, null, "seen.a"],
  ],
  Offer: [
    ["letters", 1, 60, "seller"],
    ["whole", 0, null, "priceMinor stock"],
    ["letters", 3, 3, "currency"],
    ["whole", 0, 365, "days"],
  ],
  SellerTerms: [
    ["letters", 1, 60, "name"],
    ["whole", 0, 3650, "guaranteeDays"],
    ["letters", null, 200, "excludes"],
    ["whole", 0, 365, "returnDays"],
  ],
  CodeGrammar: [
    ["letters", 1, 300, "source"],
    ["whole", 10, 999, "diagonal.leastTenths diagonal.mostTenths"],
    ["letters", 1, 200, "codeShape lines.0.pattern lines.0.reason"],
  ],
  Find: [
    ["number", -50, 600, "xMm yMm"],
    ["letters", 1, 60, "words"],
  ],
};

describe("the limits of the shop's small tables", () => {
  holdLimits(LIMITS, { Machine, Offer, SellerTerms, CodeGrammar, Find });
  it("a pattern that cannot be read is refused where it stands, and so is a pair without a resolution", () => {
    const grammar = {
      format: "helvane.codeGrammar",
      version: 1,
      source: "the shop",
      diagonal: { leastTenths: 101, mostTenths: 184 },
      codeShape: "^[A-Z]",
      pairs: { WH: [[1366, 768]] },
      lines: [{ class: "serial", pattern: "^SN", reason: "says so" }],
    };
    expect(CodeGrammar.safeParse(grammar).success).toBe(true);
    const path = (over: object) => CodeGrammar.safeParse({ ...grammar, ...over }).error?.issues[0]?.path.join(".");
    expect(path({ codeShape: "(" })).toBe("codeShape");
    expect(path({ lines: [{ class: "serial", pattern: "[", reason: "no" }] })).toBe("lines.0.pattern");
    expect(path({ pairs: { WH: [] } })).toBe("pairs.WH");
    expect(path({ pairs: { WH: [[320, 240]] } })).toBeUndefined();
    expect(path({ pairs: { WH: [[319, 240]] } })).toBe("pairs.WH.0.0");
    expect(path({ pairs: { WH: [[320, 239]] } })).toBe("pairs.WH.0.1");
    for (const key of ["W", "wh", "WHX"]) expect(path({ pairs: { [key]: [[1366, 768]] } })).toBe(`pairs.${key}`);
  });
});
