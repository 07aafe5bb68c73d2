import { panels } from "@tests/bench";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { readLabel } from ".";

const codes = Object.values(panels).map((p) => p.code);
const machines = ["Ostrel Kestrel 14", "KS14-0B85-S21"];
const classes = (text: string) => readLabel(text, codes, machines).lines.map((l) => l.class);

describe("readLabel", () => {
  it("classes every line with a reason", () => {
    const r = readLabel("GV140FHB-K31\nS/N 7Q20417753\n2024 W31\nP/N 5D10-00412\nKS14-0B85-S21\nMade with care", codes, machines);
    expect(r.lines.map((l) => l.class)).toEqual(["partCode", "serial", "date", "sparePart", "machineModel", "other"]);
    expect(r.code).toBe("GV140FHB-K31");
    for (const l of r.lines) expect(l.reason.length).toBeGreaterThan(5);
  });
  it("a code in the catalogue wins over one that only has the shape", () => {
    expect(readLabel("ZZ141FHB-Q99\ngv140fhb k31", codes, machines).code).toBe("GV140FHB-K31");
  });
  it("a serial alone is no code", () => {
    expect(readLabel("S/N 7Q20417753", codes, machines).code).toBeNull();
    expect(classes("004177212345678")).toEqual(["serial"]);
  });
  it("takes any line ends, and never throws", () => {
    expect(classes("a\r\nb\rc\n\n")).toHaveLength(3);
    fc.assert(
      fc.property(fc.string({ maxLength: 300 }), (t) => {
        const r = readLabel(t, codes, machines);
        expect(r.lines.length).toBeLessThanOrEqual(40);
        if (r.code === null) expect(r.lines.every((l) => l.class !== "partCode")).toBe(true);
      }),
    );
  });
});
