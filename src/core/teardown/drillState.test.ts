import { builds } from "@tests/bench";
import { describe, expect, it } from "vitest";
import { powerOf } from "../job";
import { drillView } from "./drillState";
import { drillOf } from "./rehearse";

describe("the machine of a drill", () => {
  it.each(Object.keys(builds))(
    "%s: after the whole way out the panel is out, no screw of the way is in, and hands were safe",
    (id) => {
      const d = drillOf(builds[id]!)!;
      const { state } = drillView(d.build, d.plan.out);
      expect(state.subject).toBe("out");
      for (const s of d.plan.out.filter((x) => x.kind === "screwsOut"))
        for (const q of d.build.screwGroups.find((g) => g.id === s.target)!.screws) expect(state.screws[q.id]).toBe("out");
      for (const s of d.plan.out.filter((x) => x.kind === "cableOff")) expect(state.connectors[s.target]).toBe("off");
      expect(powerOf(drillView(d.build, d.plan.out)).isolated).toBe(true);
      // Before the first step nothing is touched.
      expect(drillView(d.build, []).state).toMatchObject({ subject: "in", screws: {}, parts: {}, connectors: {} });
      expect(powerOf(drillView(d.build, [])).isolated).toBe(false);
    },
  );
});
