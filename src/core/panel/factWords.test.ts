import { panels } from "@tests/bench";
import { describe, expect, it } from "vitest";
import { FACT_NAMES } from "./factNames";
import { FACT_LABEL, factWords } from "./factWords";
import { FACTS } from "./schema";

describe("facts in words", () => {
  it("every fact has a name and a shape, and the shape is that of the demo panels", () => {
    expect(Object.keys(FACTS).sort()).toEqual([...FACT_NAMES].sort());
    for (const f of FACT_NAMES) {
      expect(FACT_LABEL[f].length, f).toBeGreaterThan(3);
      for (const p of Object.values(panels)) {
        const v = p[f]?.value;
        if (v !== null && v !== undefined) expect(FACTS[f].safeParse(v).success, `${p.id} ${f}`).toBe(true);
      }
    }
  });
  it("values of the demo panels are told without a leak of how they are kept", () => {
    for (const p of Object.values(panels))
      for (const f of FACT_NAMES) {
        const words = factWords(f, p[f]?.value);
        expect(words, `${p.id} ${f}`).not.toMatch(/[{}[\]"]|undefined|NaN|object/);
        expect(words.length).toBeGreaterThan(0);
      }
    expect(factWords("outline", { widthMm: 315.8, heightMm: 195.8 })).toBe("315.8 × 195.8");
    expect(factWords("pixels", { h: 1920, v: 1080 })).toBe("1920 × 1080");
    expect(factWords("backlight", "ledOnPanel")).toBe("LED, on panel");
    expect(factWords("contacts", null)).toBe("unknown");
    expect(factWords("tabs", [])).toBe("none");
  });
  it("what another source says in a wrong shape is shown as it is, and never as a value", () => {
    expect(factWords("outline", { widthMm: 315.8 })).toBe('{"widthMm":315.8}');
    expect(factWords("outline", "31x")).toBe("31x");
    expect(factWords("tabs", "four")).toBe("four");
    expect(factWords("lowerModes", [null])).toBe("[null]");
    expect(factWords("inTheBox", { tape: true })).toBe('{"tape":true}');
    expect(factWords("contacts", 40)).toBe("40");
  });
});
