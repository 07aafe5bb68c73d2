import { builds } from "@tests/bench";
import { describe, expect, it } from "vitest";
import { checkBuild } from "./check";
import { liesOver, toggleOver } from "./over";

const kestrel = builds["ostrel-kestrel-14"]!;

describe("what lies over it, pointed at", () => {
  it("is said and taken back by the same tap, of plugs, screws, tape and parts", () => {
    const plug = kestrel.connectors.find((c) => !c.under.includes("bezel") && c.view === "lid")!;
    const told = toggleOver(kestrel, { kind: "connector", id: plug.id }, "bezel");
    expect(told.connectors.find((c) => c.id === plug.id)!.under).toEqual([...plug.under, "bezel"]);
    expect(liesOver(told, { kind: "connector", id: plug.id }, "bezel")).toBe(true);
    expect(liesOver(kestrel, { kind: "connector", id: plug.id }, "bezel")).toBe(false);
    expect(toggleOver(told, { kind: "connector", id: plug.id }, "bezel")).toEqual(kestrel);
    const [build, group] = Object.values(builds).flatMap((b) => {
      const g = b.screwGroups.find((x) => x.under.length > 0);
      return g ? [[b, g] as const] : [];
    })[0]!;
    const over = group.under[0]!;
    const bare = toggleOver(build, { kind: "screw", id: group.screws[0]!.id }, over);
    expect(bare.screwGroups.find((g) => g.id === group.id)!.under).not.toContain(over);
    const tape = kestrel.tapes[0]!;
    expect(toggleOver(kestrel, { kind: "tape", id: tape.id }, "bezel").tapes[0]!.under).toEqual(
      tape.under.filter((x) => x !== "bezel"),
    );
  });
  it("is refused over itself, in a circle, of what a thing itself holds, and of a part that never moves", () => {
    expect(toggleOver(kestrel, { kind: "part", id: "bezel" }, "bezel")).toBe(kestrel);
    const panel = kestrel.subject.part;
    expect(kestrel.parts.find((p) => p.id === panel)!.blockedBy).toContain("bezel");
    // The bezel comes off before the panel: the panel cannot lie over it.
    expect(toggleOver(kestrel, { kind: "part", id: "bezel" }, panel)).toBe(kestrel);
    const fjell = builds["marrick-fjell-15"]!;
    const own = fjell.screwGroups.find((g) => fjell.parts.find((p) => p.id === g.holds)?.out)!;
    expect(toggleOver(fjell, { kind: "group", id: own.id }, own.holds).screwGroups).toEqual(fjell.screwGroups);
    expect(toggleOver(kestrel, { kind: "connector", id: kestrel.connectors[0]!.id }, "no-such")).toBe(kestrel);
  });
  it("whatever is pointed at on every demo build, no circle is made", () => {
    for (const b of Object.values(builds))
      for (const p of b.parts)
        for (const q of b.parts) {
          const next = toggleOver(b, { kind: "part", id: p.id }, q.id);
          expect(
            checkBuild(next).filter((x) => /circle|runs in/i.test(x.message)),
            `${b.id}: ${q.id} over ${p.id}`,
          ).toEqual([]);
        }
  });
});
