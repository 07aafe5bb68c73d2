import type { Panel } from "@/core/panel";
import { type EdidPort, panelEdid } from "@/core/panel";

export type EdidFailure = "none" | "silent" | "late" | "corrupt";

/** A simulated machine on an external screen: it serves the EDID of the panel fitted in it. */
export function simulatedEdidPort(fitted: Panel | null, failure: EdidFailure = "none"): EdidPort {
  return {
    async read() {
      if (failure === "late") await new Promise((done) => setTimeout(done, 4000));
      if (failure === "silent" || failure === "late")
        return { ok: false, problem: "No EDID answers. That is evidence for cable or board: say so in Triage." };
      const e = fitted ? panelEdid(fitted) : null;
      if (!e?.ok)
        return {
          ok: false,
          problem: e ? e.problem : "No panel is on record for this machine: the simulated port has nothing to serve.",
        };
      if (failure !== "corrupt") return { ok: true, bytes: e.bytes };
      const bytes = Uint8Array.from(e.bytes);
      bytes[40] = bytes[40]! ^ 0x20;
      return { ok: true, bytes };
    },
  };
}
