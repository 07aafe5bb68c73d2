import { describe, expect, it } from "vitest";
import { makePlan, progressOf } from "@/core/teardown";
import { jobOn, builds as known } from "../../../tests/bench";
import { Hands } from "../../../tests/hands";
import { registerBuild } from "../../../tests/tryBuild";
import { checkBuild, indexBuild, lookAsks, lookOf, parseBuild, removeThing, setLook, templateFor } from ".";

const builds = { ...known };
const kestrel = builds["ostrel-kestrel-14"]!;

describe("what cannot be known is left open", () => {
  const open = setLook(kestrel, "bezel", "A screw under a foot?");

  it("one question of a thing: set, worded anew in its place, taken away with the thing", () => {
    const two = setLook(open, "display-plug", "Which plug is it?");
    expect(setLook(two, "bezel", "Clips or tape?").looks).toEqual([
      { of: "bezel", ask: "Clips or tape?" },
      { of: "display-plug", ask: "Which plug is it?" },
    ]);
    expect(setLook(open, "bezel", null)).toEqual(kestrel);
    expect(removeThing(two, { kind: "connector", id: "display-plug" }).looks).toEqual(open.looks);
    expect(lookAsks(kestrel, "display-plug")[0]).toMatch(/plug/);
    expect(lookAsks(kestrel, "no-such")).toEqual([]);
  });

  it("a file that asks about nothing, or twice about one thing, is refused with its place", () => {
    const bad = { ...open, looks: [...open.looks!, { of: "bezel", ask: "Again?" }, { of: "no-such", ask: "?" }] };
    expect(checkBuild(bad).map((p) => `${p.where}: ${p.message}`)).toEqual([
      'looks[1].of: "bezel" is asked about already: one question of each',
      'looks[2].of: there is no part, screw group, plug or tape "no-such"',
    ]);
    const read = parseBuild(JSON.stringify(open));
    expect(read.ok && lookOf(read.build, "bezel")?.ask).toBe("A screw under a foot?");
  });

  it("the plan looks after all that is known of it is undone, and before it is undone", () => {
    for (const b of Object.values(builds)) {
      const of = b.parts.find((p) => p.role === "bezel" && p.out)?.id ?? b.subject.part;
      const made = makePlan(setLook(b, of, "What else holds it?"));
      if (!made.ok) throw new Error(`${b.id}: ${made.problem}`);
      const at = (id: string) => made.plan.out.findIndex((s) => s.id === id);
      const first = Math.min(...[`partFold:${of}`, `partOut:${of}`].map(at).filter((i) => i >= 0));
      expect(at(`look:${of}`), b.id).toBeGreaterThan(-1);
      expect(at(`look:${of}`), b.id).toBeLessThan(first);
      for (const g of b.screwGroups.filter((x) => x.holds === of && !x.loosenOnly))
        expect(at(`look:${of}`), g.id).toBeGreaterThan(at(`screwsOut:${g.id}`));
    }
  });

  it("a template looks at its bezel, at what is replaced and at its plug", () => {
    const t = templateFor(kestrel, "Nonesuch Moor 15");
    expect(t.looks?.map((l) => l.of)).toEqual(["bezel", t.subject.part, "display-plug"]);
    for (const b of Object.values(builds)) expect(checkBuild(templateFor(b, "Nonesuch Moor 15")), b.id).toEqual([]);
  });
});

describe("nothing is undone on a guess", () => {
  it("screws, strip, part and plug wait for their look, power point or not, and it is answered once", () => {
    const things = (b: typeof kestrel) => [...b.parts.filter((p) => p.out), ...b.screwGroups, ...b.connectors, ...b.tapes];
    for (const [id, own] of Object.entries(builds)) {
      const all = registerBuild(things(own).reduce((b, t) => setLook(b, t.id, `What is ${t.id}?`), { ...own, id: `${id}-open` }));
      const idx = indexBuild(all);
      const b = jobOn(all.id);
      const asked = new Set<string>();
      for (;;) {
        b.follow((_, now) => now.startsWith("look:") || now.startsWith("start") || now.startsWith("looseTest"));
        const now = progressOf(b.view)!.now;
        if (now?.kind !== "look") break;
        const of = now.target;
        const why = [
          ["open.screwOut", { screw: idx.group.get(of)?.screws[0]?.id }],
          ["open.screwLoosened", { screw: idx.group.get(of)?.screws[0]?.id }],
          ["open.tapeOut", { tape: of }],
          ["swap.cableDisconnected", { connector: of }],
          ["open.partFolded", { part: of }],
          ["open.partOut", { part: of }],
        ].map(([type, payload]) => b.why(type as never, payload));
        expect(
          why.some((w) => w?.includes(`What is ${of}?`)),
          `${id} ${of}: ${why.join(" | ")}`,
        ).toBe(true);
        expect(
          why.every((w) => w !== null),
          `${id} ${of}: undone on a guess`,
        ).toBe(true);
        expect(b.why("open.looked", { of: "no-such", as: "described", words: "" })).toMatch(/Nothing was left open/);
        b.do("open.looked", { of, as: "otherwise", words: "Two more screws" });
        expect(b.why("open.looked", { of, as: "described", words: "" })).toMatch(/already/);
        asked.add(of);
      }
      expect(Object.keys(b.state.looked).sort(), id).toEqual([...asked].sort());
      expect(asked.size, id).toBeGreaterThan(3);
      expect(new Hands(all).run(b.events).wrong, id).toEqual([]);
    }
  });
});
