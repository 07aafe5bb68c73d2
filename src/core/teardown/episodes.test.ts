import { builds, jobOn } from "@tests/bench";
import { Hands } from "@tests/hands";
import { tryBuild, wholeJobOn } from "@tests/tryBuild";
import { describe, expect, it } from "vitest";
import type { Build } from "../build";
import { makePlan, progressOf } from ".";

const KESTREL = "ostrel-kestrel-14";
const PANEL = "gv140fhb-k31";
const idsOf = (build: Build) => {
  const r = makePlan(build);
  if (!r.ok) throw new Error(r.problem);
  return r.plan.in.map((s) => s.id);
};
const hands = (id: string) => new Hands(builds[id]!).run(wholeJobOn(id, PANEL).events).wrong;

describe("every demo machine, as two hands would do it", () => {
  it.each(Object.keys(builds))("%s", (id) => {
    const panels: Record<string, string> = { [KESTREL]: PANEL, "tollund-cairn-11-cb": "tq116wha-r02" };
    expect(new Hands(builds[id]!).run(wholeJobOn(id, panels[id] ?? `fits-${id}`).events).wrong).toEqual([]);
  });
});

describe("the machine is fed for a test by what its build names, and by nothing else", () => {
  it("battery: the pack goes on before the test and the open pass, and is opened again after each; no mains", () => {
    const build = tryBuild("on-battery", KESTREL, (b) => {
      b.isolation.testSupply = "battery";
    });
    const ids = idsOf(build);
    const at = (id: string) => ids.indexOf(id);
    expect(ids.filter((x) => x.startsWith("mains"))).toEqual([]);
    expect(at("packOn:test")).toBeGreaterThan(at("cableOn:display-plug"));
    expect(at("packOn:test")).toBeLessThan(at("looseTest"));
    expect(at("shutDown:bond")).toBeGreaterThan(at("looseTest"));
    expect(at("packOff:bond")).toBeGreaterThan(at("shutDown:bond"));
    expect(at("drain:bond")).toBeGreaterThan(at("packOff:bond"));
    expect(at("packOn:prove")).toBeLessThan(at("start:prove"));
    expect(at("start:prove")).toBeLessThan(at("proveOpen"));
    expect(at("packOff:close")).toBeGreaterThan(at("proveOpen"));
    expect(at("cableOn:battery-plug")).toBeGreaterThan(at("packOff:close"));
    expect(hands("on-battery")).toEqual([]);
  });
  it("mains and battery: the pack first, the mains after it, and off in the other order", () => {
    const build = tryBuild("on-both", KESTREL, (b) => {
      b.isolation.testSupply = "mainsAndBattery";
    });
    const ids = idsOf(build);
    for (const [tag, off] of [
      ["test", "bond"],
      ["prove", "close"],
    ] as const) {
      expect(ids.indexOf(`packOn:${tag}`)).toBeLessThan(ids.indexOf(`mainsIn:${tag}`));
      expect(ids.indexOf(`packOff:${off}`)).toBeGreaterThan(ids.indexOf(`mainsOut:${off}`));
    }
    expect(hands("on-both")).toEqual([]);
  });
  it("a bay pack that is the only power point, tested on battery", () => {
    tryBuild("bay-pack", KESTREL, (b) => {
      b.isolation.testSupply = "battery";
      const plug = b.connectors.find((c) => c.powerPoint)!;
      plug.kind = "bayPack" as never;
      plug.under = [];
      plug.name = "Battery pack";
    });
    expect(hands("bay-pack")).toEqual([]);
  });
  it("two packs: both go on, both come off", () => {
    tryBuild("two-packs", KESTREL, (b) => {
      b.isolation.testSupply = "battery";
      const plug = b.connectors.find((c) => c.powerPoint)!;
      b.connectors.push({ ...plug, id: "second-pack", name: "Second pack plug", xMm: plug.xMm + 20 });
    });
    expect(hands("two-packs")).toEqual([]);
  });
  it("what starts as soon as it is fed is shut down again before a hand goes in", () => {
    for (const supply of ["battery", "mainsAndBattery", "mains"] as const) {
      const id = `starts-by-itself-${supply.toLowerCase()}`;
      tryBuild(id, KESTREL, (b) => {
        b.isolation.testSupply = supply;
        b.isolation.startsWhenAttached = true;
      });
      expect(hands(id), supply).toEqual([]);
    }
  });
});

describe("what the test needs is on the machine before it", () => {
  it("the picture lead at its other end, and the board the supply comes in by", () => {
    const build = tryBuild("both-ends", KESTREL, (b) => {
      const like = b.connectors.find((c) => !c.powerPoint)!;
      const cover = b.parts.find((p) => p.role === "baseCover")!.id;
      b.parts.push({
        id: "inlet-board",
        name: "Power inlet board",
        view: "base",
        role: "other",
        blockedBy: [cover],
        out: { verb: "Lift the inlet board out", how: "Up.", minutes: 0.5 },
      } as never);
      b.connectors.push(
        {
          ...like,
          id: "board-end",
          name: "Display lead, board end",
          joins: ["lead-guide", "main board"],
          under: [cover],
          serves: "picture",
          powerPoint: false,
          reachableWhenSeated: true,
          view: "base",
        } as never,
        {
          ...like,
          id: "inlet-plug",
          name: "Inlet plug",
          joins: ["inlet-board", "main board"],
          under: [cover],
          serves: "power",
          powerPoint: false,
          reachableWhenSeated: true,
          view: "base",
        } as never,
      );
      b.parts.push({
        id: "lead-guide",
        name: "Lead guide",
        view: "base",
        role: "other",
        blockedBy: [cover],
        out: { verb: "Unclip the lead guide", how: "Up.", minutes: 0.5 },
      } as never);
      // Both lie over the panel's own plug: they come out for it, and are no obstacle to the panel itself.
      b.connectors.find((c) => c.joins[0] === b.subject.part)!.under = ["inlet-board", "lead-guide"];
    });
    const ids = idsOf(build);
    for (const lead of ["board-end", "inlet-plug"])
      expect(ids.indexOf(`cableOn:${lead}`), lead).toBeLessThan(ids.indexOf("looseTest"));
    expect(ids.indexOf("partBack:inlet-board")).toBeLessThan(ids.indexOf("cableOn:inlet-plug"));
    expect(hands("both-ends")).toEqual([]);
  });
});

describe("another supply than the build's, for the day its charger is not at hand", () => {
  it("is chosen before the test or while isolated; the plan follows, whatever was planned before", () => {
    for (const supply of ["battery", "mainsAndBattery"] as const) {
      const b = jobOn(KESTREL, PANEL);
      b.until("mainsIn:test");
      b.do("plan.supplyChosen", { supply });
      expect(progressOf(b.view)!.now!.id).toBe("packOn:test");
      b.follow(() => false);
      b.do("job.closed", { outcome: "handedOver", reason: "" });
      expect(new Hands(builds[KESTREL]!).run(b.events).wrong).toEqual([]);
    }
  });
  it("is refused while what feeds it now would be left without a step that takes it off", () => {
    const b = jobOn(KESTREL, PANEL);
    b.until("looseTest");
    expect(b.why("plan.supplyChosen", { supply: "battery" })).toMatch(/Isolate the machine first/);
    expect(b.why("plan.supplyChosen", { supply: "mains" })).toMatch(/That is the supply already/);
  });
  it("a mains put in for company is taken out again although the plan knows of none", () => {
    const build = tryBuild("company", KESTREL, (x) => {
      x.isolation.testSupply = "battery";
    });
    const b = jobOn(build.id, PANEL);
    b.until("looseTest");
    b.do("bench.mainsIn", {});
    b.follow(() => false);
    b.do("job.closed", { outcome: "handedOver", reason: "" });
    expect(new Hands(build).run(b.events).wrong.filter((w) => !w.startsWith("bench.drained"))).toEqual([]);
  });
});
