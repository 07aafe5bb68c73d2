import type { RulesOf } from "../rule";
import type { identifyPayloads } from "./payloads";

export const identifyRules = {
  "identify.panelRead": {
    name: "the old panel read",
    on: "desk",
    // An EDID is read from a machine that runs.
    powers: (p) => p.way === "edid",
    relies: { panelHash: "panel" },
    apply: (s, p, { e }) => {
      s.identify.readings.push({ ...p, eventId: e.id });
    },
  },
} satisfies RulesOf<typeof identifyPayloads>;
