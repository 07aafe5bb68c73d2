import { readFileSync } from "node:fs";
import { builds } from "@tests/bench";
import { describe, expect, it } from "vitest";
import { makePlan } from "../teardown";
import { checkBuild } from "./check";
import {
  addConnector,
  addPart,
  addPhoto,
  addScrew,
  addScrewType,
  addTape,
  freeId,
  moveThing,
  setGroup,
  setPry,
  setTape,
  templateFor,
} from "./edit";
import { removeThing } from "./editAway";
import { FamilyTable, familyOf } from "./families";
import { indexBuild } from "./find";
import { parseBuild } from "./parse";
import type { Build } from "./schema";
import { screwMisfit } from "./screwFit";

const kestrel = builds["ostrel-kestrel-14"]!;

/** Every id a build speaks of. */
const mentions = (b: Build): Set<string> =>
  new Set([
    ...b.parts.flatMap((p) => [
      p.id,
      ...p.blockedBy,
      ...p.either.flatMap((e) => e.options.flatMap((o) => o.free)),
      ...(p.fragile ? [p.fragile.exposedBy] : []),
    ]),
    ...b.screwGroups.flatMap((g) => [g.id, g.holds, ...g.under, ...g.screws.map((s) => s.id)]),
    ...b.connectors.flatMap((c) => [c.id, c.joins[0], ...c.under]),
    ...b.tapes.flatMap((t) => [t.id, t.holds, ...t.under]),
    ...b.wayIn.flatMap((w) => [w.first, w.next]),
  ]);

describe("editing a build", () => {
  it("what is added passes the checks, and the plan counts it at once", () => {
    let b = addPart(kestrel, "Speaker", "base");
    const id = b.parts.at(-1)!.id;
    // In the middle of the base of 324 x 226 mm, in the middle of the lid of 324 x 216 mm.
    expect(b.parts.at(-1)!.shape).toEqual({ xMm: 142, yMm: 103, widthMm: 40, heightMm: 20 });
    expect(addPart(kestrel, "Speaker", "lid").parts.at(-1)!.shape).toEqual({ xMm: 142, yMm: 98, widthMm: 40, heightMm: 20 });
    b = addScrew(b, id, "base", 100, 90);
    b = addScrew(b, id, "base", 120, 90);
    b = addConnector(b, id, "base", 110, 80);
    b = { ...b, parts: b.parts.map((p) => (p.id === "bezel" ? { ...p, blockedBy: [...p.blockedBy, id] } : p)) };
    expect(checkBuild(b)).toEqual([]);
    expect(b.screwGroups.filter((g) => g.holds === id)).toHaveLength(1);
    const before = makePlan(kestrel);
    const after = makePlan(b);
    if (!before.ok || !after.ok) throw new Error("no plan");
    expect(after.plan.out.length).toBe(before.plan.out.length + 3);
    expect(after.plan.objective.value).toBeGreaterThan(before.plan.objective.value);
  });
  it("nothing that is left speaks of what was taken away, whatever it is, in any build", () => {
    for (const b of Object.values(builds)) {
      const things = [
        ...b.parts.filter((p) => p.role !== "panel").map((p) => ({ kind: "part" as const, id: p.id })),
        ...b.screwGroups.map((g) => ({ kind: "group" as const, id: g.id })),
        ...b.screwGroups.flatMap((g) => g.screws.map((s) => ({ kind: "screw" as const, id: s.id }))),
        ...b.tapes.map((t) => ({ kind: "tape" as const, id: t.id })),
      ];
      for (const t of things) {
        const left = removeThing(b, t);
        const problems = checkBuild(left).filter((p) => /there is no/.test(p.message));
        expect(problems, `${b.id} without ${t.id}`).toEqual([]);
        expect(mentions(left).has(t.id), `${b.id} ${t.id}`).toBe(false);
      }
    }
  });
  it("a thing goes where it is put, to a tenth of a millimetre, and nothing else moves", () => {
    const b = moveThing(kestrel, { kind: "screw", id: "b1" }, 20.04, 30.06);
    const s = b.screwGroups[0]!.screws[0]!;
    expect([s.xMm, s.yMm]).toEqual([20, 30.1]);
    expect({ ...b, screwGroups: [] }).toEqual({ ...kestrel, screwGroups: [] });
    const p = moveThing(kestrel, { kind: "part", id: "battery" }, 160, 150).parts.find((x) => x.id === "battery")!.shape!;
    expect(p.xMm + p.widthMm / 2).toBeCloseTo(160);
  });
  it("a template is a whole build of its own: it reads back, plans, and says that nothing is measured", () => {
    for (const b of Object.values(builds)) {
      const t = templateFor(b, "Nonesuch Moor 15");
      const read = parseBuild(JSON.stringify(t));
      expect(read.ok, b.id).toBe(true);
      expect(t.id).toBe("nonesuch-moor-15");
      expect(t.source).toContain("nothing measured");
      expect(makePlan(t).ok).toBe(true);
    }
    expect(freeId(kestrel, "Bezel")).toBe("bezel-2");
  });
});

describe("tapes, photos, edges and kinds of screws", () => {
  const shot = {
    view: "lid",
    xMm: 40,
    yMm: 50,
    words: "Hook behind the wire",
    hash: "a".repeat(64),
    widthPx: 800,
    heightPx: 600,
  } as const;
  it("a strip is put along the edge nearest to the tap, and holds its part in the plan", () => {
    const { pocket } = kestrel.lid;
    const at = {
      left: [pocket.xMm + 2, pocket.yMm + 90],
      right: [pocket.xMm + pocket.widthMm - 2, pocket.yMm + 90],
      top: [pocket.xMm + 150, pocket.yMm + 2],
      bottom: [pocket.xMm + 150, pocket.yMm + pocket.heightMm - 2],
    } as const;
    for (const [edge, [x, y]] of Object.entries(at)) {
      const t = addTape(kestrel, "panel", x, y).tapes.at(-1)!;
      expect(t.edge, edge).toBe(edge);
      expect(t.shape.heightMm > t.shape.widthMm).toBe(edge === "left" || edge === "right");
      expect(t.shape.xMm + t.shape.widthMm / 2).toBeCloseTo(x, 0);
      expect(t.shape.yMm + t.shape.heightMm / 2).toBeCloseTo(y, 0);
      // Six tenths of its edge, 120 mm at most.
      const along = edge === "left" || edge === "right" ? pocket.heightMm : pocket.widthMm;
      expect(Math.max(t.shape.widthMm, t.shape.heightMm)).toBe(Math.round(Math.min(120, along * 0.6)));
      expect(t.name).toBe(`${edge[0]!.toUpperCase()}${edge.slice(1)} strip`);
    }
    const b = addTape(kestrel, "panel", 150, pocket.yMm + 2);
    expect(parseBuild(JSON.stringify(b)).ok).toBe(true);
    const r = makePlan(b);
    if (!r.ok) throw new Error(r.problem);
    const steps = r.plan.out.map((s) => s.id);
    expect(steps.indexOf("tapeOut:panel-tape")).toBeGreaterThan(-1);
    expect(steps.indexOf("tapeOut:panel-tape")).toBeLessThan(steps.indexOf("partOut:panel"));
    // Thicker tape is laid as thick as the old one was.
    const thick = setTape(b, { ...b.tapes.at(-1)!, thicknessMm: 0.35 });
    const back = makePlan(thick);
    expect(back.ok && back.plan.in.some((s) => s.kind === "tapeLay" && /0.35 mm thick/.test(s.how))).toBe(true);
  });
  it("a photo stays at its place; when what it shows is taken away the place is still shown", () => {
    let b = addPart(kestrel, "Speaker", "lid");
    b = addPhoto(b, { ...shot, of: "speaker" });
    expect(checkBuild(b)).toEqual([]);
    const id = b.photos![0]!.id;
    const moved = moveThing(b, { kind: "photo", id }, 60.04, 70.06);
    expect(moved.photos![0]).toMatchObject({ xMm: 60, yMm: 70.1, of: "speaker" });
    const without = removeThing(moved, { kind: "part", id: "speaker" });
    expect(without.photos).toHaveLength(1);
    expect(without.photos![0]).not.toHaveProperty("of");
    expect(removeThing(without, { kind: "photo", id }).photos).toEqual([]);
    expect(parseBuild(JSON.stringify(b)).ok).toBe(true);
  });
  it("an edge of the lid has one saying, the last; nothing known takes it away", () => {
    let b = setPry(kestrel, "top", { edge: "top", enter: true, depthMm: 4 });
    b = setPry(b, "top", { edge: "top", enter: false, behind: "camera lead" });
    expect(b.lid.pry.filter((p) => p.edge === "top")).toEqual([{ edge: "top", enter: false, behind: "camera lead" }]);
    expect(setPry(b, "top", null).lid.pry).toEqual(kestrel.lid.pry.filter((p) => p.edge !== "top"));
  });
  it("taking one thing away leaves its neighbours: other tapes of the part, other plugs, screws of the group", () => {
    let b = addPart(kestrel, "Speaker", "lid");
    b = addTape(addTape(b, "speaker", 150, 100), "speaker", 160, 120);
    b = addScrew(addScrew(b, "speaker", "lid", 150, 90), "speaker", "lid", 160, 90);
    b = addConnector(addConnector(b, "speaker", "lid", 150, 80), "speaker", "lid", 170, 80);
    const tapes = b.tapes.filter((t) => t.holds === "speaker");
    const plugs = b.connectors.filter((c) => c.joins[0] === "speaker");
    const screws = b.screwGroups.find((g) => g.holds === "speaker")!.screws;
    expect([tapes.length, plugs.length, screws.length]).toEqual([2, 2, 2]);
    const oneTape = removeThing(b, { kind: "tape", id: tapes[0]!.id });
    expect(oneTape.tapes).toEqual(b.tapes.filter((t) => t.id !== tapes[0]!.id));
    const onePlug = removeThing(b, { kind: "connector", id: plugs[0]!.id });
    expect(onePlug.connectors).toEqual(b.connectors.filter((c) => c.id !== plugs[0]!.id));
    const oneScrew = removeThing(b, { kind: "screw", id: screws[0]!.id });
    expect(oneScrew.screwGroups.find((g) => g.holds === "speaker")!.screws).toEqual([screws[1]]);
    // The last screw takes its group with it; nothing then speaks of it.
    const none = removeThing(oneScrew, { kind: "screw", id: screws[1]!.id });
    expect(none.screwGroups.some((g) => g.holds === "speaker")).toBe(false);
    // A thing with the id of another kind takes only its own.
    const part = removeThing(b, { kind: "part", id: "speaker" });
    expect(part.tapes).toEqual(kestrel.tapes);
    expect(part.connectors).toEqual(kestrel.connectors);
    expect(part.screwGroups).toEqual(kestrel.screwGroups);
    const moved = moveThing(b, { kind: "tape", id: tapes[0]!.id }, 100, 50);
    expect(moved.tapes.filter((t) => t.id !== tapes[0]!.id)).toEqual(b.tapes.filter((t) => t.id !== tapes[0]!.id));
    const at = moved.tapes.find((t) => t.id === tapes[0]!.id)!.shape;
    expect([at.xMm + at.widthMm / 2, at.yMm + at.heightMm / 2]).toEqual([100, 50]);
    expect(moved.parts).toEqual(b.parts);
  });
  it("a measured kind of screw gets an id of its own, and screws of that kind are told from the others", () => {
    const like = kestrel.screwTypes[0]!;
    const { id: _, ...figures } = like;
    const b = addScrewType(kestrel, { ...figures, lengthMm: like.lengthMm + 3 });
    const made = b.screwTypes.at(-1)!.id;
    expect(kestrel.screwTypes.map((t) => t.id)).not.toContain(made);
    const g = b.screwGroups[0]!;
    const changed = setGroup(b, { ...g, screws: [{ ...g.screws[0]!, type: made }, ...g.screws.slice(1)] });
    expect(checkBuild(changed)).toEqual([]);
    expect(screwMisfit(indexBuild(changed), g.screws[0]!.id, g.screws[1]!.type)).toMatch(/1 mm too short .*There goes M2 × 6/);
    expect(addScrewType(b, { ...figures, lengthMm: like.lengthMm + 3 }).screwTypes.at(-1)!.id).not.toBe(made);
  });
});

describe("which family is it", () => {
  const table = FamilyTable.parse(JSON.parse(readFileSync("data/reference/families.json", "utf8")));
  const TRUE: Record<string, Record<string, boolean>> = {
    A: { covers: true, glassToEdge: false, doors: false, strip: false, thick: false },
    B: { covers: false, glassToEdge: false, chromebook: true, strip: false, doors: false },
    C: { covers: false, glassToEdge: false, baseScrews: true, strip: true, doors: false },
    D: { glassToEdge: true, touch: true, folds: true, star5: false },
    E: { covers: true, thick: true, glassToEdge: false },
    F: { glassToEdge: true, star5: true, gap: false },
    G: { glassToEdge: true, star5: true, gap: true },
    H: { doors: true, strip: true, covers: true },
  };
  it("is told by the looks a technician would take, with shares that sum to one", () => {
    for (const [family, seen] of Object.entries(TRUE)) {
      const g = familyOf(table, seen);
      expect(g.ranked[0]!.family, family).toBe(family);
      expect(g.ranked.reduce((n, r) => n + r.p, 0)).toBeCloseTo(1, 9);
    }
  });
  it("the next look tells most by Shannon's measure, and a look that rules a family out leaves no NaN", () => {
    const two = {
      ...table,
      prior: Object.fromEntries(Object.keys(table.prior).map((f) => [f, f === "A" || f === "B" ? 0.5 : 0])),
      looks: [
        {
          ...table.looks[0]!,
          id: "half",
          yes: Object.fromEntries(Object.keys(table.prior).map((f) => [f, f === "A" ? 0.9 : 0.1])),
        },
        { ...table.looks[0]!, id: "sure", yes: Object.fromEntries(Object.keys(table.prior).map((f) => [f, f === "A" ? 1 : 0])) },
      ],
    } as typeof table;
    expect(familyOf(two, {}).next?.id).toBe("sure");
    expect(familyOf(two, { sure: true }).ranked[0]).toMatchObject({ family: "A", p: 1 });
    expect(familyOf(two, { sure: true }).ranked.every((r) => Number.isFinite(r.p))).toBe(true);
  });
  it("asks next what tells most, never what was answered, and has nothing to ask at the end", () => {
    const asked: Record<string, boolean> = {};
    for (let i = 0; i < table.looks.length; i++) {
      const next = familyOf(table, asked).next!;
      expect(next.id in asked).toBe(false);
      asked[next.id] = false;
    }
    expect(familyOf(table, asked).next).toBeNull();
  });
  it("a look that could not be told changes nothing", () => {
    expect(familyOf(table, {}).ranked.map((r) => r.p)).toEqual(
      [...Object.values(table.prior)].sort((a, b) => b - a).map((p) => p / Object.values(table.prior).reduce((x, y) => x + y, 0)),
    );
  });
});
