import { builds } from "@tests/bench";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { type Build, lateLeads } from "../build";
import { CheckTable, type Disturbed, EARLIER_CHECKS, requiredChecks, SHIPPED_CHECKS } from ".";

const none: Disturbed = { connectors: [], groups: [], parts: [] };
const all = Object.values(builds);
const ids = (b: Build, d: Disturbed, pass: "open" | "closed") =>
  requiredChecks(b, d)
    .filter((c) => c.pass === pass)
    .map((c) => c.id);

/** What a technician looks at after touching a lead, written down before the table was: [open pass, closed pass]. */
const BY_LEAD: Record<string, [string[], string[]]> = {
  picture: [["wiggle"], ["lidSwing"]],
  camera: [["camera"], ["camera"]],
  wireless: [["wireless"], ["wireless"]],
  battery: [["battery"], ["battery"]],
  lidSensor: [["lidSensor"], ["lidSensor"]],
  keyboard: [["keyboard"], ["keyboard"]],
  touch: [["touch"], ["touch"]],
  speaker: [[], ["speaker"]],
};
const ALWAYS: [string[], string[]] = [
  ["picture", "solid", "evenness"],
  ["seamsLook", "screwCount", "start"],
];

describe("checks from what was disturbed", () => {
  it("an untouched machine: picture, colours, light; seams, screws, start", () => {
    for (const b of all) {
      expect(ids(b, none, "open")).toEqual(ALWAYS[0]);
      expect(ids(b, none, "closed")).toEqual(ALWAYS[1]);
    }
  });
  it("every lead of every demo machine asks for what it serves, with its name as the reason, in one pass at least", () => {
    let seen = 0;
    for (const b of all)
      for (const c of b.connectors) {
        const want = BY_LEAD[c.serves];
        const found = requiredChecks(b, { ...none, connectors: [c.id] });
        if (c.serves === "other") {
          const own = found.filter((x) => x.id.startsWith(`other-${c.id}`));
          expect(own.length, `${b.id} ${c.id}`).toBeGreaterThan(0);
          expect(own[0]!.name).toContain(c.name);
        }
        if (!want) continue;
        seen++;
        for (const id of want[1]) {
          const check = found.find((x) => x.id === id && x.pass === "closed");
          expect(check?.because, `${b.id} ${c.id} ${id}`).toContain(`${c.name} was off`);
        }
        // A lead that goes on after the open pass is looked at closed up.
        for (const id of want[0])
          expect(
            found.some((x) => x.pass === (lateLeads(b).has(c.id) ? "closed" : "open") && x.id === id),
            `${b.id} ${c.id} ${id}`,
          ).toBe(true);
      }
    expect(seen).toBeGreaterThan(20);
  });
  it("panel, OLED, tape, films, heat, a drop, a lead moved live, battery-off mode: each asks for its own", () => {
    const b = builds["ostrel-kestrel-14"]!;
    const more = (d: Partial<Disturbed>) => requiredChecks(b, { ...none, ...d }).map((c) => `${c.pass} ${c.id}`);
    expect(more({ replaced: true })).toEqual(
      expect.arrayContaining(["open evennessPhoto", "open mode", "open edid", "open brightness", "open tint", "closed colour"]),
    );
    expect(more({ replaced: true })).not.toContain("open oledTint");
    expect(more({ replaced: true, oled: true })).toEqual(expect.arrayContaining(["open oledTint", "closed lowGrey"]));
    expect(more({ tape: true })).toEqual(expect.arrayContaining(["open flush", "closed flush24"]));
    expect(more({ films: true })).toContain("open dust");
    expect(more({ heat: true })).toContain("open warmed");
    expect(more({ liquid: true })).toEqual(expect.arrayContaining(["open damage", "closed damage"]));
    const lead = b.connectors.find((c) => c.serves === "picture")!;
    expect(more({ live: [lead.id] })).toEqual(expect.arrayContaining(["open light", "closed warmLight"]));
    const byMode = { ...b, isolation: { ...b.isolation, by: "batteryOffMode" as const } };
    const reset = requiredChecks(byMode, { ...none, parts: ["bezel"] }).map((c) => c.id);
    expect(reset).toEqual(expect.arrayContaining(["clock", "date"]));
    expect(requiredChecks({ ...b, pairing: true }, { ...none, replaced: true }).some((c) => c.answer === "procedure")).toBe(true);
    expect(requiredChecks({ ...b, pairing: false }, { ...none, replaced: true }).some((c) => c.answer === "procedure")).toBe(
      false,
    );
  });
  it("hinge screws ask for alignment, a bezel for a dry fit and its latches, a base cover for fan, feet and ports", () => {
    for (const b of all) {
      const hinge = b.screwGroups.find((g) => /hinge/i.test(`${g.name} ${g.id}`));
      if (hinge) expect(ids(b, { ...none, groups: [hinge.id] }, "closed")).toContain("hinge");
      const bezel = b.parts.find((p) => p.role === "bezel");
      if (bezel) {
        expect(ids(b, { ...none, parts: [bezel.id] }, "open")).toContain("bezelDry");
        expect(ids(b, { ...none, parts: [bezel.id] }, "closed")).toContain("bezel");
      }
      const base = b.parts.find((p) => p.role === "baseCover");
      if (base) expect(ids(b, { ...none, parts: [base.id] }, "closed")).toContain("rattle");
    }
  });
  it("touching more never asks for less, and nothing stands twice in a pass", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...all),
        fc.infiniteStream(fc.boolean()),
        fc.record({ replaced: fc.boolean(), oled: fc.boolean(), tape: fc.boolean(), heat: fc.boolean(), liquid: fc.boolean() }),
        (b, coin, flags) => {
          const some = (list: readonly { id: string }[]) => list.filter(() => coin.next().value).map((x) => x.id);
          const less: Disturbed = {
            connectors: some(b.connectors),
            groups: some(b.screwGroups),
            parts: some(b.parts),
            live: some(b.connectors),
          };
          const more: Disturbed = {
            ...flags,
            connectors: [...less.connectors, ...some(b.connectors)],
            groups: [...less.groups, ...some(b.screwGroups)],
            parts: [...less.parts, ...some(b.parts)],
            live: [...less.live!, ...some(b.connectors)],
          };
          const key = (d: Disturbed) => requiredChecks(b, d).map((c) => `${c.pass} ${c.id}`);
          const [few, many] = [key(less), key(more)];
          for (const k of few) expect(many).toContain(k);
          expect(new Set(many).size).toBe(many.length);
        },
      ),
    );
  });
  it("a check asked for by two things stands once, with both reasons", () => {
    const b = all.find((x) => x.connectors.filter((c) => c.serves === "picture").length > 1);
    if (!b) throw new Error("no demo machine with two display leads");
    const leads = b.connectors.filter((c) => c.serves === "picture");
    const check = requiredChecks(b, { ...none, connectors: leads.map((c) => c.id) }).filter((c) => c.id === "lidSwing");
    expect(check).toHaveLength(1);
    for (const l of leads) expect(check[0]!.because).toContain(l.name);
  });
  it("a job from before the table is asked what it was asked then", () => {
    const b = builds["ostrel-kestrel-14"]!;
    const d = { ...none, connectors: b.connectors.map((c) => c.id), parts: ["bezel"], replaced: true, tape: true, heat: true };
    const was = new Set(requiredChecks(b, d, EARLIER_CHECKS).map((c) => c.id));
    for (const id of ["evennessPhoto", "flush", "wiggle", "seamsLook", "colour"]) expect(was.has(id), id).toBe(false);
    expect(was.has("lidSwing") && was.has("start")).toBe(true);
  });
  it("the shipped table has every disturbance, each with minutes; a table without an always is refused", () => {
    const kinds = new Set(SHIPPED_CHECKS.checks.flatMap((c) => c.when));
    expect(kinds.size).toBe(25);
    for (const c of SHIPPED_CHECKS.checks) expect(c.minutes, c.id).toBeGreaterThan(0);
    const without = { ...SHIPPED_CHECKS, checks: SHIPPED_CHECKS.checks.filter((c) => !c.when.includes("always")) };
    expect(CheckTable.safeParse(without).success).toBe(false);
    expect(
      CheckTable.safeParse({ ...SHIPPED_CHECKS, checks: [...SHIPPED_CHECKS.checks, SHIPPED_CHECKS.checks[0]] }).success,
    ).toBe(false);
  });
});
