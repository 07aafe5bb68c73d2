import { buildOf, type EventType, type JobView, type Payload, passStatus } from "../job";
import type { Step } from "./step";

/** An event yet to be recorded: its type with its payload. */
export type Act = { [T in EventType]: { type: T; payload: Payload<T> } }[EventType];

const SEAMS = ["left", "right", "top", "bottom"] as const;

/**
 * The one act that takes a step further: the next screw, the connector, the next check. Screws one at a time.
 * @returns null when the step has nothing left, or when its act needs a person's answer first (a test's outcome, a name)
 * @example nextAct(view, step) // { type: "open.screwOut", payload: { screw: "b1" } }
 */
export function nextAct(v: JobView, step: Step): Act | null {
  const b = buildOf(v);
  if (!b) return null;
  const s = v.state;
  const screws = b.group.get(step.target)?.screws ?? [];
  const screw = (open: (st: string | undefined) => boolean) => screws.find((x) => open(s.screws[x.id]))?.id;
  const one = (
    type: "open.screwOut" | "open.screwLoosened" | "close.screwBack" | "close.screwTightened",
    id: string | undefined,
  ): Act | null => (id ? { type, payload: { screw: id } } : null);
  switch (step.kind) {
    case "shutDown":
      return { type: "bench.shutDown", payload: {} };
    case "mainsOut":
      return { type: "bench.mainsOut", payload: {} };
    case "mainsIn":
      return s.bench.mains === "in" ? { type: "bench.started", payload: {} } : { type: "bench.mainsIn", payload: {} };
    case "batteryOff":
      return { type: "bench.batteryOff", payload: { proven: true } };
    case "drain":
      return { type: "bench.drained", payload: { seconds: b.build.isolation.drainS[0] } };
    case "screwsOut":
      return one(
        "open.screwOut",
        screw((x) => x === undefined),
      );
    case "screwsLoosen":
      return one(
        "open.screwLoosened",
        screw((x) => x === undefined),
      );
    case "tapeOut":
      return { type: "open.tapeOut", payload: { tape: step.target } };
    case "partFold":
      return { type: "open.partFolded", payload: { part: step.target } };
    case "partOut":
      return { type: "open.partOut", payload: { part: step.target } };
    case "tether":
      return { type: "open.tethered", payload: { option: step.target } };
    case "cableOff":
      return { type: "swap.cableDisconnected", payload: { connector: step.target } };
    case "cableOn":
      return { type: "swap.cableConnected", payload: { connector: step.target, home: true } };
    case "change":
      return { type: "swap.changeMade", payload: { field: step.target } };
    case "transplant":
      return { type: "swap.transplanted", payload: { part: step.target } };
    case "tapeLay":
      return { type: "bond.tapeLaid", payload: { piece: step.target } };
    case "rehearse":
      return { type: "bond.rehearsed", payload: {} };
    case "linerPull":
      return { type: "bond.linerPulled", payload: { piece: step.target } };
    case "dust":
      return { type: "bond.dusted", payload: {} };
    case "backFilmOff":
      return { type: "bond.filmOff", payload: { film: "back" } };
    case "frontFilmOff":
      return { type: "bond.filmOff", payload: { film: "front" } };
    case "seat":
      return { type: "bond.panelSeated", payload: {} };
    case "press":
      return { type: "bond.pressed", payload: {} };
    case "partBack":
      return { type: "close.partBack", payload: { part: step.target } };
    case "screwsBack":
      return one(
        "close.screwBack",
        screw((x) => x === "out"),
      );
    case "screwsTighten":
      return one(
        "close.screwTightened",
        screw((x) => x === "loosened"),
      );
    case "seams": {
      const edge = SEAMS.find((e) => !s.close.seams[e]);
      return edge ? { type: "close.seamChecked", payload: { edge } } : null;
    }
    case "proveOpen":
    case "proveClosed": {
      const pass = step.kind === "proveOpen" ? "open" : "closed";
      const check = passStatus(v, pass).untested[0];
      return check ? { type: "prove.checkDone", payload: { pass, check: check.id, result: "pass", note: "" } } : null;
    }
    case "looseTest":
    case "angle":
    case "handOver":
      return null;
  }
}
