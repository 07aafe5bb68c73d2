import { builds, hashes, jobOn, snapshots } from "@tests/bench";
import { describe, expect, it } from "vitest";
import { contentHash } from "@/data/referenceStore";
import { type Build, parseBuild } from "../build";
import { nextAct, progressOf } from ".";

/** The demo's machine with a bezel that is laid over its lead first and comes away afterwards. */
function withFoldingBezel(): string {
  const build = JSON.parse(JSON.stringify(builds["ostrel-kestrel-14"])) as Build;
  const bezel = build.parts.find((p) => p.role === "bezel")!;
  bezel.fold = {
    verb: "Lay the bezel over to the left",
    how: "It hangs on the camera lead.",
    minutes: 0.3,
  } as Build["parts"][0]["fold"];
  build.id = "folding-bezel";
  const read = parseBuild(JSON.stringify(build));
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  builds[build.id] = read.build;
  hashes.build[build.id] = contentHash(read.build);
  snapshots[hashes.build[build.id]!] = { kind: "build", data: read.build };
  return build.id;
}

describe("a part that folds over and then comes out", () => {
  const id = withFoldingBezel();
  const bezel = builds[id]!.parts.find((p) => p.role === "bezel")!.id;
  it("is not taken for out while it lies folded: the plan still asks for it", () => {
    const b = jobOn(id, "gv140fhb-k31");
    b.follow((s) => s.parts[bezel] === "folded");
    const p = progressOf(b.view)!;
    expect(p.plan.out.map((s) => s.id)).toContain(`partOut:${bezel}`);
    expect(nextAct(b.view, p.now!)).toEqual({ type: "open.partOut", payload: { part: bezel } });
  });
  it("runs to hand-over, and is put back once", () => {
    const b = jobOn(id, "gv140fhb-k31");
    b.follow(() => false);
    b.do("job.closed", { outcome: "handedOver", reason: "" });
    expect(b.state.closed?.outcome).toBe("handedOver");
    expect(b.events.filter((e) => e.type === "open.partOut" && e.payload.part === bezel)).toHaveLength(1);
    expect(b.events.filter((e) => e.type === "close.partBack" && e.payload.part === bezel)).toHaveLength(1);
  });
});
