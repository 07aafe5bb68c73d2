import { builds } from "@tests/bench";
import { Hands } from "@tests/hands";
import { carryOut, tryBuild } from "@tests/tryBuild";
import { describe, expect, it } from "vitest";
import { type Build, keepUntil, liftBuild, parseBuild, removeThing } from "../build";
import { makePlan } from "./plan";

/** The plan of a demo machine changed by hand, carried out by two hands; step ids of both ways. */
function planned(id: string, from: string, change: (b: Build) => void) {
  const build = tryBuild(id, from, (b) => {
    // Pairing is asked by the panel, and no matter of order.
    b.pairing = false;
    change(b);
  });
  const r = makePlan(build);
  if (!r.ok) throw new Error(r.problem);
  const { b, stopped } = carryOut(build);
  expect(stopped, id).toBeNull();
  expect(new Hands(build).run(b.events).wrong, id).toEqual([]);
  const out = r.plan.out.map((s) => s.id);
  const back = r.plan.in.map((s) => s.id);
  return { build, plan: r.plan, out, back, bench: b };
}
const inOrder = (list: readonly string[], first: string, then: string) => {
  expect(list, `${first} is planned`).toContain(first);
  expect(list, `${then} is planned`).toContain(then);
  expect(list.indexOf(first), `${first} before ${then}`).toBeLessThan(list.indexOf(then));
};
const group = (b: Build, id: string) => b.screwGroups.find((g) => g.id === id)!;
const part = (b: Build, id: string) => b.parts.find((p) => p.id === id)!;
const plug = (b: Build, id: string) => b.connectors.find((c) => c.id === id)!;

describe("orders a technician writes into a build", () => {
  it("a whole lid: one screw each side until it stands upright, then held, then out; hinges first on the way back, then leads, then the test", () => {
    const { out, back } = planned("lune-as-shipped", "pellow-lune-13", () => {});
    inOrder(out, "screwsOut:hinge-screws", "turnLid:lid-upright");
    inOrder(out, "turnLid:lid-upright", "screwsOut:hinge-last");
    inOrder(out, "screwsOut:hinge-last", "partOut:panel");
    inOrder(back, "seat", "screwsBack:hinge-last");
    inOrder(back, "screwsBack:hinge-last", "cableOn:display-plug");
    inOrder(back, "cableOn:display-plug", "looseTest");
    inOrder(back, "screwsBack:hinge-last", "turnBack:lid-upright");
    inOrder(back, "looseTest", "screwsBack:hinge-screws");
    // Its plate right after the plug: nothing between.
    expect(back[back.indexOf("cableOn:display-plug") + 1]).toBe("partBack:display-cowl");
  });
  it("the last screws are refused while the lid is not upright, and the lid is not turned back while they are out", () => {
    const { bench } = planned("lune-gates", "pellow-lune-13", () => {});
    const at = (type: string) => bench.events.findIndex((e) => e.type === type);
    const early = { ...bench, events: bench.events.slice(0, at("open.lidTurned")) } as typeof bench;
    const b = Object.assign(Object.create(Object.getPrototypeOf(bench)), early) as typeof bench;
    expect(b.why("open.screwOut", { screw: "h1" })).toMatch(/stay in until the lid stands at 90°: without them nothing holds it/);
    expect(b.why("close.lidTurnedBack", { turn: "lid-upright" })).toMatch(/not turned/);
    b.events = bench.events.slice(0, at("bond.panelSeated") + 1);
    expect(b.why("close.lidTurnedBack", { turn: "lid-upright" })).toMatch(
      /First last hinge screws in: without them nothing holds it/,
    );
    expect(b.why("open.lidTurned", { turn: "no-such" })).toMatch(/no turn "no-such"/);
    expect(b.why("open.lidTurned", { turn: "lid-upright" })).toMatch(/stands so already/);
  });
  it("a lid with all its screws in one group is set on its hinges, plugged and tried before they are tightened", () => {
    const { back } = planned("lune-plain", "pellow-lune-13", (b) => {
      b.turns = [];
      const { keepUntil: _, ...last } = group(b, "hinge-last");
      b.screwGroups = b.screwGroups.map((g) => (g.id === "hinge-last" ? last : g));
      delete part(b, "panel").after;
    });
    inOrder(back, "seat", "cableOn:display-plug");
    inOrder(back, "looseTest", "screwsBack:hinge-screws");
    inOrder(back, "drain:bond", "screwsBack:hinge-last");
  });
  it("after: one group comes out after another, and goes back before it", () => {
    const { out, back } = planned("kestrel-after", "ostrel-kestrel-14", (b) => {
      b.screwGroups.push({ ...structuredClone(group(b, "base-screws")), id: "upper", name: "Upper screws", after: ["lower"] });
      b.screwGroups.push({ ...structuredClone(group(b, "base-screws")), id: "lower", name: "Lower screws" });
      for (const id of ["upper", "lower"]) for (const s of group(b, id).screws) s.id = `${id}-${s.id}`;
    });
    inOrder(out, "screwsOut:lower", "screwsOut:upper");
    inOrder(back, "screwsBack:upper", "screwsBack:lower");
  });
  it("lamp lead last off: of all that holds the panel", () => {
    const { out } = planned("corriedale-lamp", "corriedale-12-b", () => {});
    inOrder(out, "cableOff:picture-plug", "cableOff:lamp-lead");
    const turned = planned("corriedale-picture", "corriedale-12-b", (b) => {
      delete plug(b, "lamp-lead").lastOf;
      plug(b, "picture-plug").lastOf = "panel";
    });
    inOrder(turned.out, "cableOff:lamp-lead", "cableOff:picture-plug");
    // The build itself says the lamp goes on last: that stands, and no circle comes of it.
    inOrder(turned.back, "cableOn:picture-plug", "cableOn:lamp-lead");
  });
  it("screws shared by two parts are out before either, and in once both are there", () => {
    const { out, back } = planned("lune-shared", "pellow-lune-13", (b) => {
      group(b, "antenna-screws").alsoHolds = ["sensor-cowl"];
    });
    inOrder(out, "screwsOut:antenna-screws", "partOut:sensor-cowl");
    inOrder(back, "partBack:sensor-cowl", "screwsBack:antenna-screws");
    inOrder(back, "partBack:antenna-bar", "screwsBack:antenna-screws");
  });
});

describe("what does not simply go back", () => {
  it("a strip that breaks by coming out is not put back, and nobody waits for it at hand-over", () => {
    const { back, bench } = planned("holm-strip", "corriedale-12-b", (b) => {
      for (const id of ["rubber-1", "rubber-2", "rubber-3", "rubber-4"]) part(b, id).fate = "destroyed";
    });
    expect(back.filter((s) => s.startsWith("partBack:rubber"))).toEqual([]);
    expect(bench.why("close.partBack", { part: "rubber-1" })).toMatch(/does not go back: broken by coming out/);
  });
  it("what is replaced goes on new, and stands in the kit", () => {
    const { plan } = planned("corriedale-feet", "corriedale-12-b", (b) => {
      part(b, "rubber-1").fate = "replaced";
      delete part(b, "rubber-1").back;
    });
    expect(plan.in.find((s) => s.id === "partBack:rubber-1")?.title).toBe("Put on the new rubber foot 1");
    expect(plan.tools.map((t) => t.name)).toContain("New rubber foot 1");
  });
  it("a plate that comes on the new lid is not put back, nor are its screws, and its lead still is", () => {
    const { back } = planned("lune-plate", "pellow-lune-13", (b) => {
      part(b, "sensor-cowl").fate = "comesWithNew";
    });
    expect(back).not.toContain("partBack:sensor-cowl");
    expect(back).not.toContain("screwsBack:sensor-cowl-screws");
    expect(back).toContain("cableOn:sensor-lead");
  });
  it("a unit that brings its tape is not taped again: its liners are pulled, and it is pressed", () => {
    const { back } = planned("isbrand-taped", "isbrand-pivot-14-touch", (b) => {
      b.subject.bringsTape = true;
    });
    expect(back.some((s) => s.startsWith("tapeLay"))).toBe(false);
    expect(back.some((s) => s.startsWith("linerPull"))).toBe(true);
    expect(back).toContain("press");
  });
  it("an act of the way back only stands where the build puts it, and one that names nothing planned is told", () => {
    const act = {
      id: "shield",
      verb: "Lay heat-proof tape",
      how: "Over the lead.",
      minutes: 0.5,
      why: "it lies on the heat pipe",
    };
    const { back } = planned("kestrel-shield", "ostrel-kestrel-14", (b) => {
      b.backActs = [{ ...act, after: ["looseTest"], before: ["seat"] }];
    });
    inOrder(back, "looseTest", "backAct:shield");
    inOrder(back, "backAct:shield", "seat");
    const told = planned("holm-shield", "marrick-holm-15", (b) => {
      b.backActs = [{ ...act, after: ["memory"], before: [] }];
    });
    expect(told.plan.warnings.join(" ")).toMatch(/it lies on the heat pipe/);
  });
});

describe("the words of version 3, read and edited", () => {
  const draft = (change: (b: Build) => void): string[] => {
    const b = structuredClone(builds["pellow-lune-13"]!) as Build;
    change(b);
    const r = parseBuild(JSON.stringify(b));
    return r.ok ? [] : r.problems.map((p) => `${p.where}: ${p.message}`);
  };
  it("a build of version 2 means what it meant", () => {
    const { version: _, ...rest } = builds["tollund-cairn-11-cb"]!;
    expect(liftBuild({ ...rest, version: 2 })).toEqual({ ...rest, version: 3 });
  });
  it.each<[string, (b: Build) => void, RegExp]>([
    [
      "a name that leads nowhere",
      (b) => Object.assign(part(b, "panel"), { after: ["no-such"] }),
      /parts\[\d\]\.after\[0\]: there is no part.*"no-such"/,
    ],
    ["after itself", (b) => Object.assign(part(b, "panel"), { after: ["panel"] }), /cannot come after itself/],
    ["last of what it does not hold", (b) => Object.assign(plug(b, "antenna-1"), { lastOf: "panel" }), /does not hold "panel"/],
    [
      "screws that wait for what they hold",
      (b) => Object.assign(group(b, "hinge-last"), { keepUntil: "panel" }),
      /holds "panel", so it cannot stay in/,
    ],
    [
      "a turn that waits for its own screws",
      (b) => Object.assign(b.turns![0]!, { free: ["hinge-last"] }),
      /stays in until this turn/,
    ],
    [
      "two fates",
      (b) => Object.assign(part(b, "antenna-bar"), { fate: "comesWithNew", transplant: part(b, "panel").out }),
      /one of the two/,
    ],
    ["a lead on what breaks", (b) => Object.assign(part(b, "antenna-bar"), { fate: "destroyed" }), /no lead can hang on it/],
    ["the subject's own fate", (b) => Object.assign(part(b, "panel"), { fate: "replaced" }), /that is said by the subject/],
    ["an id used twice", (b) => Object.assign(b.turns![0]!, { id: "panel" }), /already used/],
    [
      "shared with nothing",
      (b) => Object.assign(group(b, "hinge-last"), { alsoHolds: ["no-such"] }),
      /there is no part "no-such"/,
    ],
  ])("%s is named with its place", (_, change, words) => {
    expect(draft(change).join("; ")).toMatch(words);
  });
  it("the editor's one control makes the turn and takes it back; what is taken away leaves no order behind", () => {
    const b = builds["tollund-cairn-11-cb"]! as Build;
    const g = b.screwGroups[0]!.id;
    const with90 = keepUntil(b, g, "upright");
    expect(with90.turns?.map((t) => t.angleDeg)).toEqual([90]);
    expect(keepUntil(with90, g, "upright").turns).toHaveLength(1);
    expect(group(keepUntil(with90, g, null), g).keepUntil).toBeUndefined();
    const lune = builds["pellow-lune-13"]! as Build;
    const less = removeThing(lune, { kind: "group", id: "hinge-screws" });
    expect(less.turns![0]!.free).toEqual([]);
    const shared = structuredClone(lune);
    group(shared, "antenna-screws").alsoHolds = ["sensor-cowl"];
    group(shared, "base-screws").after = ["sensor-cowl"];
    const gone = removeThing(shared, { kind: "part", id: "sensor-cowl" });
    expect(group(gone, "antenna-screws").alsoHolds).toBeUndefined();
    expect(group(gone, "base-screws").after).toBeUndefined();
  });
});
