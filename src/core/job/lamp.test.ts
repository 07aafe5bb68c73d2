import { describe, expect, it } from "vitest";
import { builds, jobOn, type TestBench } from "../../../tests/bench";
import { Hands } from "../../../tests/hands";
import { carryOut, registerBuild, tryBuild, wholeJobOn } from "../../../tests/tryBuild";
import { type Build, withLamp } from "../build";
import { makePlan } from "../teardown";

const LAMP = "corriedale-12-b";
const lamp = () => jobOn(LAMP);
const kinds = (b: Build) => {
  const r = makePlan(b);
  if (!r.ok) throw new Error(r.problem);
  return [...r.plan.out, ...r.plan.in].map((s) => s.kind);
};
/** The job as far as the old panel out and the new one's leads on, isolated. */
const openOn = (b: TestBench) =>
  b.follow((s) => s.subject === "out" && Object.values(s.connectors).filter((c) => c === "off").length <= 1);

describe("a lamp-lit machine", () => {
  it("is tried whole where nobody trained is named: no power before its lamp circuit is closed", () => {
    const k = kinds(builds[LAMP]!);
    expect(k).not.toContain("looseTest");
    expect(k.indexOf("proveOpen")).toBeGreaterThan(k.lastIndexOf("partBack"));
    expect(k.indexOf("proveOpen")).toBeGreaterThan(k.lastIndexOf("screwsBack"));
    expect(k.lastIndexOf("mainsIn")).toBeGreaterThan(k.lastIndexOf("partBack"));
    expect(k.filter((x) => x === "mainsIn")).toHaveLength(1);
  });
  it("comes to hand-over that way through every gate, and hands find nothing wrong", () => {
    const b = wholeJobOn(LAMP);
    expect(b.state.closed).toBeTruthy();
    expect(new Hands(builds[LAMP]!).run(b.events).wrong).toEqual([]);
    expect(carryOut(builds[LAMP]!).stopped).toBeNull();
  });
  it("takes no power while it stands open: not mains, not a start, not a test, not a check", () => {
    const b = openOn(lamp());
    for (const [type, payload] of [
      ["bench.mainsIn", {}],
      ["bench.started", {}],
      ["swap.looseTested", { supply: "mains", picture: true, note: "" }],
      ["prove.checkDone", { pass: "open", check: "picture", result: "pass", note: "" }],
    ] as const)
      expect(b.why(type, payload), type).toMatch(/Lamp circuit open: over a thousand volts/);
  });
  it("is tried open by a trained person who is named, each start with its own record, and left alone after it", () => {
    const b = lamp();
    expect(b.why("plan.lampTestChosen", { test: "afterBezel" })).toMatch(/so already/);
    expect(b.why("plan.lampTestChosen", { test: "open" })).toMatch(/name the trained person/);
    b.do("plan.lampTestChosen", { test: "open", by: "Sela" });
    b.until("lampGuard:test");
    expect(b.why("bench.mainsIn", {})).toMatch(/Lamp circuit open/);
    b.do("bench.lampGuarded", { by: "Sela" });
    expect(b.why("bench.lampGuarded", { by: "Sela" })).toMatch(/recorded: Sela/);
    b.until("lampWait:bond");
    expect(b.why("bench.drained", { seconds: 12 })).toMatch(/leave the inverter alone for 60 s/);
    expect(b.why("bench.lampWaited", { seconds: 20 })).toMatch(/60 s at least/);
    b.do("bench.lampWaited", { seconds: 60 });
    // The record was for that start: the next one asks again.
    b.until("lampGuard:prove");
    expect(b.why("bench.mainsIn", {})).toMatch(/Lamp circuit open/);
    b.follow(() => false);
    expect(b.state.close.handedOver).toBeTruthy();
    expect(new Hands(builds[LAMP]!).run(b.events).wrong).toEqual([]);
  });
  it("asks for no wait before its connectors where it never ran open", () => {
    const b = openOn(lamp());
    expect(b.state.bench.openLive).toBe(false);
    expect(b.events.some((e) => e.type === "bench.lampWaited")).toBe(false);
  });
  it("is not opened twice to the same volts by taking the choice back in the middle", () => {
    const b = lamp();
    b.do("plan.lampTestChosen", { test: "open", by: "Sela" });
    b.until("looseTest");
    expect(b.why("plan.lampTestChosen", { test: "afterBezel" })).toMatch(/Isolate the machine first/);
  });
  it("is known by its lamp lead, or by its panel, where its build says nothing of an inverter", () => {
    const quiet = tryBuild("lamp-unsaid", LAMP, (d) => {
      delete d.inverterOn;
    });
    expect(kinds(quiet)).not.toContain("looseTest");
    const plain = builds["ostrel-kestrel-14"]!;
    expect(kinds(plain)).toContain("looseTest");
    expect(kinds(withLamp(plain, true, undefined))).not.toContain("looseTest");
    expect(withLamp(plain, false, undefined)).toBe(plain);
  });
  it("is tried whole on its battery too: the pack is home and nothing is put on for the test", () => {
    const own = registerBuild({
      ...structuredClone(builds[LAMP]!),
      id: "lamp-battery",
      isolation: { ...builds[LAMP]!.isolation, testSupply: "battery" },
    });
    const b = wholeJobOn(own.id);
    expect(new Hands(own).run(b.events).wrong).toEqual([]);
    expect(kinds(own)).not.toContain("packOn");
  });
  it("cannot be named lit and safe by a file: how it is tried is the job's to say", () => {
    expect(() => registerBuild({ ...structuredClone(builds[LAMP]!), id: "lamp-file", lampTest: "open" } as Build)).toThrow(
      /lampTest/,
    );
  });
});

describe("a machine without a lamp", () => {
  it("knows nothing of inverters", () => {
    const b = jobOn("ostrel-kestrel-14");
    expect(b.why("plan.lampTestChosen", { test: "open", by: "Sela" })).toMatch(/has no lamp/);
    expect(b.why("bench.lampGuarded", { by: "Sela" })).toMatch(/has no lamp/);
    expect(b.why("bench.lampWaited", { seconds: 60 })).toMatch(/has no lamp/);
  });
});

it("a whole lid lit by a lamp on a machine that is tried on its battery has a plan", () => {
  const build = tryBuild("lamp-lid-on-battery", "pellow-lune-13", (x) => {
    x.pairing = false;
    x.isolation.testSupply = "battery";
    x.connectors.push({
      ...x.connectors.find((c) => c.serves === "picture")!,
      id: "lamp-lead",
      name: "Lamp lead",
      kind: "lampLead",
    });
  });
  const { b, stopped } = carryOut(build);
  expect(stopped).toBeNull();
  expect(new Hands(build).run(b.events).wrong).toEqual([]);
});
