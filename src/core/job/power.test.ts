import { builds, jobOn, type TestBench } from "@tests/bench";
import { seededRandom } from "@tests/randomActs";
import { runs } from "@tests/scale";
import { World } from "@tests/world";
import { describe, expect, it } from "vitest";

import type { Act } from ".";
import { powerOf } from "./power";

/** Follows the plan to the loose test and has it done, then whatever the hand does to the power. */
function tested(build: string): TestBench {
  const b = jobOn(build);
  b.follow((s) => s.looseTest !== null);
  return b;
}

/** Supply there is, told from the log by a reader that knows no rule: mains, or a pack that is joined. */
const supplied = (w: World) =>
  w.mains ||
  (w.build.isolation.by === "batteryOffMode" ? !w.batteryOff : w.build.connectors.some((c) => c.powerPoint && !w.off.has(c.id)));

describe("power, one answer for every gate, list and screen", () => {
  it("after a loose test the mains come out: off where the pack is cut, live on its battery where it is not", () => {
    for (const build of Object.values(builds)) {
      const b = tested(build.id);
      const w = new World(build);
      for (const e of b.events) w.see(e);
      w.see(b.do("bench.mainsOut"));
      const power = powerOf(b.view);
      expect(power.isolated, build.id).toBe(false);
      expect(power.live, build.id).toBe(supplied(w));
      expect(power.title).toBe(supplied(w) ? "Live" : "Off, not isolated");
    }
  });
  it("nothing recorded is not known, and what is not known is taken for live", () => {
    const b = jobOn("ostrel-kestrel-14");
    expect(powerOf(b.view)).toMatchObject({ state: "unknown", live: true, isolated: false, note: "mains not recorded" });
    b.do("bench.shutDown");
    expect(powerOf(b.view)).toMatchObject({ state: "unknown", live: true, note: "mains not recorded" });
    b.do("bench.mainsOut");
    expect(powerOf(b.view)).toMatchObject({ state: "off", live: false, title: "Off, not isolated", note: "open battery plug" });
    const c = jobOn("ostrel-kestrel-14");
    c.do("bench.mainsOut");
    expect(powerOf(c.view)).toMatchObject({ state: "unknown", live: true, note: "shutting down not recorded" });
    c.do("bench.started");
    expect(powerOf(c.view)).toMatchObject({ state: "live", note: "running on battery" });
    c.do("bench.mainsIn");
    expect(powerOf(c.view)).toMatchObject({ state: "live", note: "mains in" });
  });
  it("a machine with its supply gone is off, whatever was recorded of its shutting down", () => {
    const b = jobOn("ostrel-kestrel-14");
    for (const t of ["bench.shutDown", "bench.mainsOut"] as const) b.do(t);
    b.follow((s) => s.connectors["battery-plug"] === "off");
    b.do("bench.mainsIn");
    b.do("bench.started");
    expect(powerOf(b.view).state).toBe("live");
    b.do("bench.mainsOut");
    expect(powerOf(b.view)).toMatchObject({ state: "off", missing: ["shut down"] });
    b.do("bench.shutDown");
    b.do("bench.drained", { seconds: 8 });
    expect(powerOf(b.view)).toMatchObject({ state: "isolated", title: "Isolated", missing: [] });
  });
  it("isolated only when nothing can drive the board, live whenever something can, in any order of power acts", () => {
    const acts: Act["type"][] = [
      "bench.shutDown",
      "bench.mainsOut",
      "bench.mainsIn",
      "bench.started",
      "bench.drained",
      "bench.batteryOff",
    ];
    for (const build of Object.values(builds))
      for (const seed of [3, 11, 29]) {
        const random = seededRandom(seed);
        const b = jobOn(build.id);
        b.follow((_, step) => random() < 0.03 && step.includes("Out"));
        const w = new World(build);
        for (const e of b.events) w.see(e);
        for (let i = 0; i < runs(60); i++) {
          const type = acts[Math.floor(random() * acts.length)]!;
          const payload = type === "bench.drained" ? { seconds: 12 } : type === "bench.batteryOff" ? { proven: true } : {};
          if (b.why(type, payload)) continue;
          const ran = w.running;
          w.see(b.do(type, payload));
          // Mains alone starts no machine but those the build says so of.
          if (type === "bench.mainsIn") w.running = ran || build.isolation.startsWhenAttached;
          // A machine whose supply is gone has stopped.
          if (!supplied(w)) w.running = false;
          const power = powerOf(b.view);
          const where = `${build.id} ${seed} ${i} ${type}`;
          if (power.isolated) expect(w.isolated, where).toBe(true);
          if (w.mains || (w.running && supplied(w))) expect(power.live, where).toBe(true);
          expect(power.isolated, where).toBe(power.missing.length === 0);
        }
      }
  });
});
