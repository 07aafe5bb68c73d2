import { buildOf, type JobView, looseTestMissing, passStatus, powerOf } from "../job";
import type { Plan, PlanResult } from "./plan";
import type { Step } from "./step";

export interface Progress {
  plan: Plan;
  steps: { step: Step; done: boolean }[];
  /** The one thing to do now, or null when all is done. */
  now: Step | null;
}

const screwDone = new Set(["back", "staysOut", "replaced", "missing"]);

/** Whether a step is done, told from the state alone: what is out, what is on, what was tested. */
function isDone(v: JobView, s: Step): boolean {
  const st = v.state;
  const b = buildOf(v)!;
  const panelMoved = st.panel !== "old";
  const group = b.group.get(s.target);
  switch (s.kind) {
    case "screwsOut":
      return group!.screws.every((x) => st.screws[x.id] !== undefined);
    case "screwsLoosen":
      return group!.screws.every((x) => st.screws[x.id] !== undefined);
    case "tapeOut":
      return !!st.tapesOut[s.target] || panelMoved;
    case "partFold":
      return !!st.parts[s.target] || panelMoved;
    case "partOut":
      return s.target === b.panel.id ? panelMoved : st.parts[s.target] !== undefined;
    case "tether":
      return !!st.tethered[s.target];
    case "cableOff":
      return st.touched[s.target] !== undefined;
    case "change":
      return !!st.changesMade[s.target];
    case "transplant":
      return !!st.transplanted[s.target];
    case "cableOn":
      return st.connectors[s.target] === "on" && (b.connector.get(s.target)!.joins[0] !== b.panel.id || panelMoved);
    case "looseTest":
      return looseTestMissing(v) === null || st.panel === "seated";
    case "tapeLay":
      return !!st.bond.laid[s.target];
    case "rehearse":
      return st.bond.rehearsed;
    case "linerPull":
      return !!st.bond.linersPulled[s.target];
    case "dust":
      return st.bond.dusted;
    case "backFilmOff":
      return st.bond.backFilmOff;
    case "seat":
      return st.panel === "seated";
    case "press":
      return st.bond.pressed;
    case "frontFilmOff":
      return st.bond.frontFilmOff;
    case "partBack":
      return st.parts[s.target] === "back";
    case "screwsBack":
      return group!.screws.every((x) => screwDone.has(st.screws[x.id] ?? ""));
    case "screwsTighten":
      return group!.screws.every((x) => st.screws[x.id] === "tightened");
    case "proveOpen":
      return passStatus(v, "open").complete;
    case "proveClosed":
      return passStatus(v, "open").complete && passStatus(v, "closed").complete;
    case "seams":
      return ["left", "right", "top", "bottom"].every((e) => st.close.seams[e]);
    case "angle":
      return st.close.angleDeg !== null;
    case "handOver":
      return st.close.handedOver !== null;
    case "mainsIn":
      return s.target === "test"
        ? looseTestMissing(v) === null || st.bench.mains === "in" || st.panel === "seated"
        : st.bench.mains === "in" || passStatus(v, s.target === "closed" ? "closed" : "open").complete;
    case "shutDown":
    case "mainsOut":
    case "batteryOff":
    case "drain":
      return powerDone(v, s);
  }
}

/** Parts still away or plugs still off: hands go into the machine once more before it is closed. */
function handsLeft(v: JobView): boolean {
  const panel = buildOf(v)!.panel.id;
  return (
    Object.entries(v.state.parts).some(([id, p]) => id !== panel && p !== "back") ||
    Object.values(v.state.connectors).includes("off")
  );
}
/** Off again for those hands; drained too, as long as the battery is still off. */
function offForHands(v: JobView, s: Step, isolated: boolean): boolean {
  const { mains, shutDown } = v.state.bench;
  if (mains !== "out" || !shutDown) return false;
  const points = buildOf(v)!.powerPoints;
  return s.kind !== "drain" || isolated || points.some((c) => v.state.connectors[c.id] === "on");
}

/** Taking power off comes three times; each is done once it holds, or once the work behind it has begun. */
function powerDone(v: JobView, s: Step): boolean {
  const st = v.state;
  const iso = powerOf(v);
  const past =
    s.target === ""
      ? st.panel !== "old"
      : s.target === "bond"
        ? st.panel === "seated"
        : st.bond.frontFilmOff && (!handsLeft(v) || offForHands(v, s, iso.isolated));
  if (past) return true;
  if (s.target === "bond" && looseTestMissing(v)) return false;
  if (s.target === "close" && !passStatus(v, "open").complete) return false;
  switch (s.kind) {
    case "shutDown":
      return st.bench.shutDown;
    case "mainsOut":
      return st.bench.mains === "out" && st.bench.shutDown;
    case "batteryOff":
      return st.bench.batteryOff && st.bench.mains === "out";
    default:
      return iso.isolated;
  }
}

/**
 * Where a job stands in its plan, told from what was recorded; no step number is kept anywhere. The plan is made elsewhere
 * (`madePlan`), so that a page can have it made in a worker.
 * @returns null without a plan, or when the build cannot be planned
 * @example progressIn(view, madePlan(planAskOf(view)!))?.now?.title // "Take the mains lead out"
 */
export function progressIn(v: JobView, made: PlanResult | null): Progress | null {
  if (!made?.ok || !buildOf(v)) return null;
  const steps = [...made.plan.out, ...made.plan.in].map((step) => ({ step, done: isDone(v, step) }));
  return { plan: made.plan, steps, now: steps.find((s) => !s.done)?.step ?? null };
}
