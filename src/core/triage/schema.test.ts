import { triageTable } from "@tests/bench";
import { describe, expect, it } from "vitest";
import { TriageTable } from ".";

describe("the table", () => {
  const says = (change: (t: Record<string, never>) => void): string => {
    const t = JSON.parse(JSON.stringify(triageTable));
    change(t);
    const r = TriageTable.safeParse(t);
    return r.success ? "ok" : r.error.issues.map((i) => `${i.path.map(String).join(".")}: ${i.message}`).join("\n");
  };
  it("names what is wrong and where", () => {
    type T = {
      faults: { id: string; prior: number }[];
      groups: { joint: Record<string, Record<string, number>>; members: string[] }[];
      findings: { id: string; strength?: Record<string, number>; leak?: number; power: string }[];
      decisions: { fixes: string[] }[];
      meter: { finding: string; band: number[] }[];
    };
    const as = (f: (t: T) => void) => says(f as never);
    expect(as((t) => t.faults.push({ ...t.faults[0]! }))).toMatch(/faults\.12\.id: the id "panelCell" is used twice/);
    expect(
      as((t) => {
        t.groups[0]!.joint.panelBacklight!["111"] = 0.9;
      }),
    ).toMatch(/add up to 1\.\d+, expected 1/);
    expect(
      as((t) => {
        t.groups[0]!.members.push("ghost");
      }),
    ).toMatch(/there is no finding "ghost"/);
    expect(
      as((t) => {
        t.findings[0]!.strength!.ghost = 0.2;
      }),
    ).toMatch(/there is no fault "ghost"/);
    expect(
      as((t) => {
        t.findings[0]!.leak = 1.2;
      }),
    ).toMatch(/findings\.0\.leak/);
    expect(
      as((t) => {
        t.decisions[0]!.fixes.push("ghost");
      }),
    ).toMatch(/decisions\.0\.fixes/);
    expect(
      as((t) => {
        t.meter[0]!.band = [5, 1];
      }),
    ).toMatch(/does not lie within/);
    expect(
      as((t) => {
        t.faults[0]!.id = "noFault";
      }),
    ).toMatch(/may not be listed/);
    for (const k of ["strength", "leak"] as const)
      expect(
        as((t) => {
          const f = t.findings.find((x) => x.strength)!;
          delete f[k];
        }),
      ).toMatch(/needs strength and leak, or a group/);
    // Both ends of a band are held against the meter's range.
    for (const band of [
      [-1, 2],
      [0, 1e6],
    ])
      expect(
        as((t) => {
          t.meter[0]!.band = band;
        }),
      ).toMatch(/does not lie within/);
    expect(as(() => undefined)).toBe("ok");
  });
});
