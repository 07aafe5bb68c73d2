import { builds, handAct, jobOn, type TestBench } from "@tests/bench";
import { World } from "@tests/world";
import { describe, expect, it } from "vitest";
import { makePlan, nextAct, progressOf, type Step } from "../teardown";
import { eventGate, type JobEvent, pauseCard, screwsOpen } from ".";

type Asked = [type: string, payload: unknown, why: string];

/** Everything that would do harm to this machine as it lies now. */
function harmful(w: World): Asked[] {
  const b = w.build;
  const list: Asked[] = [];
  for (const c of b.connectors) {
    const covered = c.under.filter((u) => !w.gone(u));
    if (w.off.has(c.id)) {
      if (!c.powerPoint && !c.aheadOfIsolation && !w.isolated)
        list.push(["swap.cableConnected", { connector: c.id, home: true }, "put on with power in the machine"]);
      if (c.powerPoint && w.mains)
        list.push(["swap.cableConnected", { connector: c.id, home: true }, "battery home with mains in"]);
    } else if (covered.length) list.push(["swap.cableDisconnected", { connector: c.id }, `under ${covered.join()}`]);
    else if (c.powerPoint ? w.mains || w.running : !c.aheadOfIsolation && !w.isolated)
      list.push(["swap.cableDisconnected", { connector: c.id }, "taken off with power in the machine"]);
  }
  for (const p of b.parts) {
    if (!p.out || w.gone(p.id) || (p.role === "panel" && w.panel !== "old")) continue;
    const holds = w.biting(p.id).length > 0 || p.blockedBy.some((x) => !w.gone(x));
    const tied = b.connectors.some((c) => c.joins[0] === p.id && !w.off.has(c.id)) && !p.fold;
    const stuck = b.tapes.some((t) => t.holds === p.id && !w.freed.has(t.id));
    if (holds || tied || stuck) list.push(["open.partOut", { part: p.id }, "held, tied or stuck"]);
  }
  for (const g of b.screwGroups)
    for (const s of g.screws) {
      const at = w.screws.get(s.id);
      if (at !== "out") list.push(["close.screwBack", { screw: s.id }, "a screw nobody holds"]);
      if (!at && g.under.some((u) => !w.gone(u)))
        list.push([g.loosenOnly ? "open.screwLoosened" : "open.screwOut", { screw: s.id }, "a screw that is covered"]);
      if (!at && g.loosenOnly) list.push(["open.screwOut", { screw: s.id }, "a screw that is only loosened"]);
    }
  if (!w.looseTested || !w.isolated)
    for (const edge of b.tapes)
      list.push(["bond.linerPulled", { piece: `${edge.id}-1` }, "a liner before a loose test, or under power"]);
  if (w.open.length) {
    list.push(["close.handedOver", { to: "Desk" }, "handed over with screws out"]);
    list.push(["job.closed", { outcome: "cancelled", reason: "x" }, "closed with screws out"]);
  }
  if (w.panel === "old") list.push(["bond.panelSeated", {}, "seated before the old one is out"]);
  return list;
}

/** Walks a job step by step; at every step `look` sees the machine before it is done. */
function walk(b: TestBench, build: World["build"], look: (w: World, step: Step) => void): World {
  const w = new World(build);
  for (const e of b.events) w.see(e);
  for (let i = 0; i < 400; i++) {
    const now = progressOf(b.view)?.now;
    if (!now) return w;
    look(w, now);
    const act = handAct(b.view, now);
    w.see(b.do(act.type, act.payload));
  }
  throw new Error("never came to an end");
}

describe("at every step of a whole job, on every family", () => {
  for (const build of Object.values(builds))
    it(`${build.family}, ${build.machineModel}: nothing that would do harm passes its gate, and what is next does`, () => {
      let asked = 0;
      const b = jobOn(build.id);
      walk(b, build, (w, step) => {
        const view = b.view;
        for (const [type, payload, why] of harmful(w)) {
          asked += 1;
          const e = { ...b.make({ type: "job.noted", payload: { text: "x" } }), type, payload } as JobEvent;
          expect(eventGate(view, e), `${step.id}: ${type} ${JSON.stringify(payload)}, ${why}`).not.toBeNull();
        }
        const act = nextAct(view, step);
        if (act) {
          const e = { ...b.make({ type: "job.noted", payload: { text: "x" } }), ...act } as JobEvent;
          expect(eventGate(view, e), step.id).toBeNull();
        }
      });
      expect(asked).toBeGreaterThan(200);
    });
});

describe("the card of a pause, at every step", () => {
  for (const build of Object.values(builds))
    it(`${build.family}, ${build.machineModel}: names what is out, loose, off and away, and nothing else`, () => {
      const b = jobOn(build.id);
      walk(b, build, (w) => {
        const card = Object.fromEntries(pauseCard(b.view).sections.map((s) => [s.title, s.lines]));
        const out = [...w.screws.values()].filter((x) => x === "out").length;
        const listed = card["Screws out"]!.flatMap((l) => l.match(/, (\d+): /)?.[1] ?? []).reduce((n, x) => n + Number(x), 0);
        expect(listed).toBe(out);
        expect(card["Only loosened"]!.filter((l) => l !== "None.")).toHaveLength(
          [...w.screws.values()].filter((x) => x === "loose").length,
        );
        expect(card.Disconnected!.filter((l) => l !== "Nothing.")).toHaveLength(w.off.size);
        const panel = build.parts.find((p) => p.role === "panel")!.id;
        // What tore, or came with the new one, is waste: nobody looks for it.
        const waste = new Set(build.parts.filter((p) => p.fate === "destroyed" || p.fate === "comesWithNew").map((p) => p.id));
        const away = [...w.away, ...w.folded].filter((x) => (x !== panel || w.panel === "old") && !waste.has(x));
        for (const id of away) expect(card["Parts away"]!.join("\n")).toContain(build.parts.find((p) => p.id === id)!.name);
        if (w.mains && w.running && w.panel !== "old") expect(card.Power!.join()).toMatch(/live/i);
        if (w.isolated) expect(card.Power!.join()).toMatch(/prove it again/);
        expect(screwsOpen(b.state).out.length + screwsOpen(b.state).loose.length).toBe(w.open.length);
      });
    });
});

describe("what is taken back leaves no trace", () => {
  it("a step done and taken back gives the state before it, at every step that can be taken back", () => {
    const build = builds["ostrel-kestrel-14"]!;
    const b = jobOn(build.id);
    let taken = 0;
    for (let i = 0; i < 200; i++) {
      const now = progressOf(b.view)?.now;
      if (!now) break;
      const before = structuredClone({ ...b.state, last: null });
      const act = handAct(b.view, now);
      const e = b.do(act.type, act.payload);
      if (b.why("job.takenBack", { eventId: e.id }) === null) {
        const kept = b.events.length;
        b.do("job.takenBack", { eventId: e.id });
        expect({ ...b.state, last: null }, now.id).toEqual(before);
        taken += 1;
        b.events.length = kept;
      }
    }
    expect(taken).toBeGreaterThan(40);
    expect(makePlan(build).ok).toBe(true);
  });
});
