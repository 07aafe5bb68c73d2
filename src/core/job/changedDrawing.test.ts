import { jobOn, plannedJob } from "@tests/bench";
import { describe, expect, it } from "vitest";
import { changedDrawing, handoverSheet, jobReport } from ".";

describe("the machine on the hand-over sheet", () => {
  it("is drawn only once something new is in", () => {
    expect(changedDrawing(plannedJob("C").view)).toBeNull();
    expect(changedDrawing(plannedJob("C").until("seat").view)).toBeNull();
    expect(changedDrawing(plannedJob("C").until("handOver").view)).not.toBeNull();
  });

  it("what the log says was touched is drawn, each once, and nothing else", () => {
    const b = plannedJob("C").until("handOver");
    const d = changedDrawing(b.view)!;
    const all = d.sides.flatMap((x) => x.shapes);
    // Told apart from the code: from the events themselves.
    const took = new Set(b.events.flatMap((e) => (e.type === "swap.cableDisconnected" ? [e.payload.connector] : [])));
    const screws = new Set(
      b.events.flatMap((e) =>
        e.type === "open.screwOut" || e.type === "open.screwLoosened"
          ? [e.payload.screw]
          : e.type === "open.screwsOutTogether"
            ? e.payload.screws
            : [],
      ),
    );
    const laid = b.events.filter((e) => e.type === "bond.tapeLaid");
    expect(all.filter((x) => x.what === "plug").length).toBe(took.size);
    expect(all.filter((x) => x.what === "screw" || x.what === "screwNew").length).toBe(screws.size);
    expect(all.filter((x) => x.what === "tape").length).toBe(laid.length);
    expect(took.size).toBeGreaterThan(0);
    expect(d.named.length).toBe(all.filter((x) => x.n !== undefined).length);
    // Every shape lies on its side of the machine, a hand's breadth of plug over its edge at most.
    for (const side of d.sides)
      for (const x of side.shapes) {
        expect(x.x).toBeGreaterThanOrEqual(-10);
        expect(x.x + x.w).toBeLessThanOrEqual(side.widthMm + 10);
        expect(x.y).toBeGreaterThanOrEqual(-10);
        expect(x.y + x.h).toBeLessThanOrEqual(side.heightMm + 10);
      }
    // The legend says no more than is drawn.
    for (const l of d.legend) expect(all.some((x) => x.what === l.what)).toBe(true);
  });

  it("a screw only loosened and a plug still off are not said to be home", () => {
    const b = plannedJob("C").until("handOver");
    const state = structuredClone(b.state);
    const count = (s: typeof state, what: string) =>
      changedDrawing({ ...b.view, state: s })!
        .sides.flatMap((x) => x.shapes)
        .filter((x) => x.what === what).length;
    const [screws, plugs] = [count(state, "screw"), count(state, "plug")];
    state.screws.b1 = "loosened";
    state.connectors[Object.keys(state.touched)[0]!] = "off";
    expect(count(state, "screw")).toBe(screws - 1);
    expect(count(state, "plug")).toBe(plugs - 1);
  });

  it("a whole lid is new as a whole", () => {
    const d = changedDrawing(jobOn("pellow-lune-13").until("handOver").view)!;
    const lid = d.sides[0]!;
    expect(lid.shapes[0]).toMatchObject({ what: "new", x: 0, y: 0, w: lid.widthMm, h: lid.heightMm });
  });
});

describe("a panel that cannot be paired here", () => {
  const job = () => jobOn("pellow-lune-13").until("change:pairing");
  const left = { by: "Front desk", why: "no network" };
  it("is no dead end: somebody takes it so, and sheet and report say what is lost and who", () => {
    const b = job();
    expect(b.why("close.handedOver", { to: "Front desk" })).not.toBeNull();
    b.do("after.pairingLeft", left);
    b.until("handOver");
    b.do("close.handedOver", { to: "Front desk" });
    expect(b.state.close.handedOver?.to).toBe("Front desk");
    const sheet = handoverSheet(b.view, null)!;
    expect(sheet.cautions.join(" ")).toMatch(/not paired.*Front desk.*brightness control/);
    expect(sheet.sections.flatMap((s) => s.rows)).toContainEqual({ name: "Pairing", value: "not done: no network" });
    expect(jobReport(b.view)!.pairing).toEqual({ left });
  });
  it("not before power and picture are proven, not twice, and not on a machine that does not pair", () => {
    expect(jobOn("pellow-lune-13").until("seat").why("after.pairingLeft", left)).not.toBeNull();
    const b = job();
    b.do("after.pairingLeft", left);
    expect(b.why("after.pairingLeft", left)).toMatch(/done/);
    expect(plannedJob("C").until("handOver").why("after.pairingLeft", left)).toMatch(/does not pair/);
  });
  it("made, the report says made; where none is needed, that", () => {
    expect(jobReport(jobOn("pellow-lune-13").until("handOver").view)!.pairing).toBe("made");
    expect(jobReport(plannedJob("C").until("handOver").view)!.pairing).toBe("notNeeded");
  });
});
