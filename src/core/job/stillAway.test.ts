import { describe, expect, it } from "vitest";
import { jobOn } from "../../../tests/bench";
import { tryBuild } from "../../../tests/tryBuild";
import { openNow, stillAway } from ".";
import { pauseCard } from "./pauseCard";

describe("what is away and has to come back", () => {
  it("a trim that came with the new lid leaves nothing open; the machine is whole again", () => {
    const b = jobOn("pellow-lune-13").until("handOver");
    expect(b.state.parts["hinge-trim"]).toBe("out");
    expect(openNow(b.view)).toBe(false);
    expect(stillAway(b.view)).toEqual({ screws: [], loose: [], parts: [] });
    expect(JSON.stringify(pauseCard(b.view))).not.toMatch(/hinge trim/i);
  });
  it("what is out and comes back is open, and so is a screw alone", () => {
    const b = jobOn("ostrel-kestrel-14");
    expect(openNow(b.view)).toBe(false);
    b.follow((s) => Object.values(s.screws).includes("out"));
    expect(openNow(b.view)).toBe(true);
    expect(stillAway(b.view).screws.length).toBeGreaterThan(0);
  });
  it("a bezel that breaks by coming out, a new one on: the closed pass is asked, the screws that held it are not", () => {
    const build = tryBuild("torn-bezel", "marrick-fjell-15", (d) => {
      d.parts.find((p) => p.id === "bezel")!.fate = "comesWithNew";
      delete d.parts.find((p) => p.id === "bezel")!.back;
      d.looks = [];
    });
    const b = jobOn(build.id).until("proveClosed");
    expect(b.state.parts.bezel).toBe("out");
    b.follow(() => false);
    expect(b.state.close.handedOver).not.toBeNull();
    expect(openNow(b.view)).toBe(false);
    expect(b.why("job.closed", { outcome: "handedOver", reason: "" })).toBeNull();
  });
});
