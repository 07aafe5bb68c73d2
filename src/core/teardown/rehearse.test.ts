import { builds } from "@tests/bench";
import { seededRandom } from "@tests/randomActs";
import { describe, expect, it } from "vitest";
import { addDrill, type Drill, drillOf, drillScore, judgePick, NO_DRILL, nextOf, picksOf } from "./rehearse";

const drill = (id: string): Drill => {
  const d = drillOf(builds[id]!);
  if (!d) throw new Error(id);
  return d;
};

describe("the rehearsal", () => {
  it("the plan's own order is right from first to last, on every machine", () => {
    for (const id of Object.keys(builds)) {
      const d = drill(id);
      const done = new Set<string>();
      for (const s of d.plan.out) {
        expect(judgePick(d, done, s.id), `${id} ${s.id}`).toEqual({ ok: true, note: null });
        done.add(s.id);
      }
      expect(nextOf(d, done)).toBeNull();
    }
  });
  it("a plug before isolation, a screwed part, a covered screw, a needless step: each is told with what would have happened", () => {
    const d = drill("ostrel-kestrel-14");
    const none = new Set<string>();
    expect(judgePick(d, none, "cableOff:display-plug")).toMatchObject({ ok: false, slip: "power" });
    expect(judgePick(d, none, "cableOff:battery-plug")).toMatchObject({ ok: false, slip: "power" });
    expect(judgePick(d, none, "partOut:base-cover")).toMatchObject({ ok: false, slip: "force" });
    expect(judgePick(d, none, "screwsOut:plug-screw")).toMatchObject({ ok: false, slip: "covered" });
  });
  it("a step that could be done but is not needed is told as needless, with what it costs, on every machine that has one", () => {
    let seen = 0;
    for (const id of Object.keys(builds)) {
      const d = drill(id);
      const all = new Set(d.plan.out.map((s) => s.id));
      for (const s of d.plan.skipped) {
        // Only what nothing holds back any more: else it is told as held, and rightly.
        if ((d.graph.needs.get(s.id) ?? []).some((n) => !all.has(n))) continue;
        seen += 1;
        expect(judgePick(d, all, s.id), `${id} ${s.id}`).toEqual({
          ok: false,
          slip: "needless",
          why: `Not needed for this goal: ${s.cost.toFixed(1)} min for nothing.`,
        });
      }
      // And what the plan does need is never called needless.
      for (const s of d.plan.out) {
        const j = judgePick(d, new Set(d.plan.out.slice(0, d.plan.out.indexOf(s)).map((x) => x.id)), s.id);
        expect(j.ok, `${id} ${s.id}`).toBe(true);
      }
    }
    expect(seen).toBeGreaterThan(5);
    expect(judgePick(drill("ostrel-kestrel-14"), new Set(), "no-such-step")).toMatchObject({ ok: false, slip: "needless" });
  });
  it("power taken off in the wrong order is told as what it is, on every machine", () => {
    for (const id of Object.keys(builds)) {
      const d = drill(id);
      const mains = judgePick(d, new Set(), "mainsOut");
      expect(mains, id).toMatchObject({ ok: false, slip: "power", why: expect.stringMatching(/^It still runs/) });
      expect(judgePick(d, new Set(), "drain"), id).toMatchObject({ ok: false, slip: "power" });
      if (d.graph.steps.has("batteryOff"))
        expect(judgePick(d, new Set(["shutDown"]), "batteryOff")).toMatchObject({
          ok: false,
          slip: "power",
          why: expect.stringMatching(/Mains wakes the battery/),
        });
      // Nothing of it is ever put down to what lies over it.
      for (const s of d.plan.out.filter((x) => ["mainsOut", "batteryOff", "drain"].includes(x.kind))) {
        const j = judgePick(d, new Set(), s.id);
        expect(!j.ok && j.slip, `${id} ${s.id}`).toBe("power");
      }
    }
  });
  it("keeps runs, the best one and slips by kind", () => {
    let r = addDrill(NO_DRILL, { slip: "power" });
    r = addDrill(addDrill(r, { slip: "power" }), { slip: "held" });
    r = addDrill(addDrill(r, { score: drillScore(20, 5) }), { score: drillScore(20, 20) });
    expect(r).toEqual({ runs: 2, best: 80, slips: { power: 2, held: 1 } });
    expect(drillScore(20, 0)).toBe(100);
    expect(NO_DRILL).toEqual({ runs: 0, best: null, slips: {} });
  });
  it("another order that works is let pass, with what the plan does first", () => {
    const d = drill("ostrel-kestrel-14");
    const done = new Set(["shutDown", "mainsOut"]);
    const ready = d.plan.out.filter((s) => !done.has(s.id) && judgePick(d, done, s.id).ok);
    expect(ready.length).toBeGreaterThan(1);
    const second = ready.find((s) => s.id !== nextOf(d, done)!.id)!;
    expect(judgePick(d, done, second.id)).toMatchObject({ ok: true, note: expect.stringContaining("The plan does") });
  });
  it("always offers what is right, once, among others that are wrong as long as there are such", () => {
    for (const id of Object.keys(builds)) {
      const d = drill(id);
      const random = seededRandom(5);
      const done = new Set<string>();
      for (const s of d.plan.out) {
        const picks = picksOf(d, done, 4, random);
        expect(
          picks.filter((p) => p.id === s.id),
          `${id} ${s.id}`,
        ).toHaveLength(1);
        expect(new Set(picks.map((p) => p.id)).size).toBe(picks.length);
        done.add(s.id);
      }
      expect(picksOf(d, done, 4, random)).toEqual([]);
    }
  });
});

describe("what is told of a wrong pick", () => {
  const d = drill("ostrel-kestrel-14");
  const isolated = new Set(d.plan.out.slice(0, d.plan.out.findIndex((s) => s.kind === "drain") + 1).map((s) => s.id));
  it("all screws that still hold, and nothing that does not", () => {
    const j = judgePick(d, new Set(), "partOut:base-cover");
    expect(j).toMatchObject({
      ok: false,
      slip: "force",
      why: expect.stringMatching(/still screwed: .*base screws.*under the plug.*cracks at the hole/i),
    });
    const one = new Set([...isolated].filter((x) => x !== "screwsOut:plug-screw"));
    const k = judgePick(d, one, "partOut:base-cover");
    expect(k).toMatchObject({ ok: false, slip: "force" });
    expect(!k.ok && k.why).not.toMatch(/base screws/i);
  });
  it("what holds without a screw is held, what cannot be reached is covered", () => {
    expect(judgePick(d, isolated, "partOut:bezel")).toMatchObject({
      ok: false,
      slip: "held",
      why: expect.stringMatching(/hinge strip/i),
    });
    expect(judgePick(d, isolated, "tapeOut:tape-left")).toMatchObject({
      ok: false,
      slip: "covered",
      why: expect.stringMatching(/bezel/i),
    });
  });
  it("a hand before isolation is told so, isolation's own steps are not", () => {
    const free = new Set(["shutDown", "mainsOut"]);
    for (const s of d.plan.out) {
      if (free.has(s.id) || (d.graph.needs.get(s.id) ?? []).some((n) => !free.has(n))) continue;
      const j = judgePick(d, free, s.id);
      if (d.isolation.has(s.id)) expect(j.ok, s.id).toBe(true);
      else expect(j, s.id).toMatchObject({ ok: false, slip: "power" });
    }
    expect(judgePick(d, new Set(["shutDown"]), "cableOff:battery-plug")).toMatchObject({ slip: "power" });
  });
  it("the others on offer are wrong ones while there are enough, and never told twice by one title", () => {
    for (const id of Object.keys(builds)) {
      const x = drill(id);
      const random = seededRandom(11);
      const done = new Set<string>();
      for (const s of x.plan.out) {
        const picks = picksOf(x, done, 3, random).filter((p) => p.id !== s.id);
        const wrong = [...x.graph.steps.values()].filter(
          (p) => !done.has(p.id) && p.id !== s.id && p.title !== s.title && !judgePick(x, done, p.id).ok,
        );
        if (wrong.length >= 2) for (const p of picks) expect(judgePick(x, done, p.id).ok, `${id} ${s.id}: ${p.id}`).toBe(false);
        expect(picks.length, `${id} ${s.id}`).toBeLessThanOrEqual(2);
        if (wrong.length >= 2) expect(picks).toHaveLength(2);
        for (const p of picks) expect(p.title).not.toBe(s.title);
        done.add(s.id);
      }
    }
  });
  it("and where the right one stands among them tells nothing", () => {
    const random = seededRandom(3);
    const at = [0, 0, 0, 0];
    for (let n = 0; n < 400; n++) at[picksOf(d, new Set(), 4, random).findIndex((p) => p.id === "shutDown")]! += 1;
    for (const n of at) expect(n).toBeGreaterThan(60);
  });
});
