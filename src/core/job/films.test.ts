import { jobOn, plannedJob } from "@tests/bench";
import { describe, expect, it } from "vitest";
import { msOf } from ".";

describe("films that lie bare", () => {
  const job = () => jobOn("pellow-lune-15");
  it("count from the act that bared them, not before, and no longer than until they are closed in", () => {
    // The glass folded over is enough: what lay under it lies bare.
    const b = job().until("partFold:panel");
    expect(b.state.bench.films).toBeNull();
    const bared = b.do("open.partFolded", { part: "panel" });
    expect(b.state.bench.films).toEqual({ clock: bared.clock, covered: false });
    // Work on elsewhere does not begin the time anew.
    b.until("seat");
    expect(msOf(b.state.bench.films!.clock)).toBe(msOf(bared.clock));
    b.follow((s) => s.subject !== "out");
    expect(b.state.bench.films).toBeNull();
  });
  it("a sheet is laid and taken off, each once, and nothing is blown or seated under it", () => {
    const b = job().until("dust");
    expect(b.why("bench.filmsUncovered")).toMatch(/Nothing lies over/);
    b.do("bench.filmsCovered");
    expect(b.why("bench.filmsCovered")).toMatch(/covered/);
    expect(b.why("bond.dusted")).toMatch(/sheet still lies/);
    b.do("bench.filmsUncovered");
    expect(b.why("bond.dusted")).toBeNull();
    b.until("seat");
    b.do("bench.filmsCovered");
    expect(b.why("bond.panelSeated")).toMatch(/sheet still lies/);
  });
  it("a machine without films knows of none", () => {
    const b = plannedJob("C").until("seat");
    expect(b.state.bench.films).toBeNull();
    expect(b.why("bench.filmsCovered")).toMatch(/No films/);
  });
});
