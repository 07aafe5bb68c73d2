import { type BuildIndex, hiddenBySeat, indexBuild } from "../build";
import type { CauseTable } from "../causes";
import { type Act, buildOf, type JobView, powerOf, seated } from "../job";
import { type StepGraph, stepGraph } from "./graph";
import type { PlanResult } from "./plan";
import { type Step, stepId } from "./step";

/** One thing that has to come away again before a lead is reached, with the act that does it. */
export interface ReachStep {
  step: Step;
  act: Act;
  /** Screws of the step still in, where it is a group of screws; else 1. */
  left: number;
}
export interface Reach {
  steps: ReachStep[];
  /** Hands-on minutes there and back, by the build. */
  minutes: number;
}

/** The act that does a step again on the machine as it stands; null when it is done. */
function actOf(v: JobView, b: BuildIndex, step: Step): { act: Act; left: number } | null {
  const s = v.state;
  const id = step.target;
  const one = (act: Act) => ({ act, left: 1 });
  switch (step.kind) {
    case "shutDown":
      return s.bench.shutDown ? null : one({ type: "bench.shutDown", payload: {} });
    case "mainsOut":
      return s.bench.mains === "out" ? null : one({ type: "bench.mainsOut", payload: {} });
    case "batteryOff":
      return s.bench.batteryOff ? null : one({ type: "bench.batteryOff", payload: { proven: true } });
    case "drain":
      return powerOf(v).isolated ? null : one({ type: "bench.drained", payload: { seconds: b.build.isolation.drainS[0] } });
    case "screwsOut": {
      const away = ["out", "missing", "staysOut"];
      const left = b.group.get(id)!.screws.filter((x) => !away.includes(s.screws[x.id] ?? "in"));
      return left[0] ? { act: { type: "open.screwOut", payload: { screw: left[0].id } }, left: left.length } : null;
    }
    case "screwsLoosen": {
      const left = b.group.get(id)!.screws.filter((x) => !["loosened", "out", "missing"].includes(s.screws[x.id] ?? "in"));
      return left[0] ? { act: { type: "open.screwLoosened", payload: { screw: left[0].id } }, left: left.length } : null;
    }
    case "tapeOut":
      return s.tapesOut[id] ? null : one({ type: "open.tapeOut", payload: { tape: id } });
    case "partFold":
      return s.parts[id] === "folded" || s.parts[id] === "out" ? null : one({ type: "open.partFolded", payload: { part: id } });
    case "partOut":
      if (id !== b.subject.id) return s.parts[id] === "out" ? null : one({ type: "open.partOut", payload: { part: id } });
      if (seated(s)) return one({ type: "swap.panelLifted", payload: { why: "To reach a lead behind it" } });
      return s.subject === "out" ? null : one({ type: "open.partOut", payload: { part: id } });
    case "cableOff":
      return s.connectors[id] === "off" ? null : one({ type: "swap.cableDisconnected", payload: { connector: id } });
    case "turnLid":
      return s.turned[id] === "out" ? null : one({ type: "open.lidTurned", payload: { turn: id } });
    case "look":
      return s.looked[id] ? null : one({ type: "open.looked", payload: { of: id, as: "described", words: "" } });
    case "tether":
      return s.tethered[id] ? null : one({ type: "open.tethered", payload: { option: id } });
    default:
      return null;
  }
}

/** Steps a lead needs, in an order that keeps every need; of alternatives the one nearest done. */
function stepsFor(v: JobView, b: BuildIndex, g: StepGraph, goals: readonly string[], plan: ReadonlySet<string>): string[] {
  const order: string[] = [];
  const seen = new Set<string>();
  // Of several ways the plan's, so that what comes off goes back by it; else the one nearest done.
  const stillOn = (ids: readonly string[]) =>
    (ids.every((x) => plan.has(x)) ? -1 : 0) + ids.filter((x) => actOf(v, b, g.steps.get(x)!) !== null).length;
  const lifted = seated(v.state) ? stepId("partOut", b.subject.id) : null;
  const walk = (x: string) => {
    if (seen.has(x) || !g.steps.has(x)) return;
    seen.add(x);
    // Lifting the new panel takes its covers off and no more: its leads come with it, its own tape is new.
    const needs =
      x === lifted ? [stepId("drain"), ...b.subject.blockedBy.map((p) => partAway(g, p))] : [...(g.needs.get(x) ?? [])];
    for (const n of needs) walk(n);
    if (x !== lifted)
      for (const e of g.either.get(x) ?? [])
        for (const n of [...e.options].sort((a, c) => stillOn(a.needs) - stillOn(c.needs))[0]?.needs ?? []) walk(n);
    order.push(x);
  };
  for (const x of goals) walk(x);
  return order;
}

/** Out of the way for a lead below: folded over is enough. */
const partAway = (g: StepGraph, part: string): string =>
  g.steps.has(stepId("partFold", part)) ? stepId("partFold", part) : stepId("partOut", part);

/** Goals as acts on the machine as it stands, with their minutes there and back. */
function reachOf(v: JobView, b: BuildIndex, goals: readonly string[], made: PlanResult | null, leave = ""): Reach {
  const g = stepGraph(indexBuild(b.build));
  const plan = new Set(made?.ok ? made.plan.out.map((s) => s.id) : []);
  // Power first, whatever else comes off: nothing is lifted on a live machine.
  const steps = stepsFor(v, b, g, [stepId("mainsOut"), stepId("drain"), ...goals], plan).flatMap((id) => {
    const step = g.steps.get(id)!;
    // What lies under the panel in the build's words is out of the way once it is lifted.
    const act = id === leave ? null : actOf(v, b, step);
    return act ? [{ step, ...act }] : [];
  });
  return { steps, minutes: steps.reduce((sum, x) => sum + x.step.minutes + (x.step.backMinutes ?? 0), 0) };
}

/** Where hands have to get to for a cause that is no lead. */
export type ReachPlace = NonNullable<CauseTable["causes"][number]["at"]>;

/**
 * What has to come away before hands reach a place: the board (as far as its end of the display lead, which stays on), what lies over the
 * panel, or behind the panel itself.
 * @param made the plan of this job, where there is one
 * @returns the steps with their acts in order; empty where the place lies open; null without a build
 * @example reachPlace(view, "board").steps.length > 0 // true
 */
export function reachPlace(v: JobView, at: ReachPlace, made: PlanResult | null = null): Reach | null {
  const b = buildOf(v);
  if (!b) return null;
  const g = stepGraph(indexBuild(b.build));
  const covers = b.subject.blockedBy.map((p) => partAway(g, p));
  if (at === "covers") return reachOf(v, b, covers, made);
  // Once it is lifted it is reached: what held the old one is not asked for again.
  if (at === "panel") return reachOf(v, b, v.state.subject === "out" ? [] : [stepId("partOut", b.subject.id)], made);
  // What isolates it comes off in any case: it is no lead to be left on.
  const power = new Set(b.powerPoints.map((c) => c.id));
  const leads = b.build.connectors.filter((c) => c.view === "base" && !power.has(c.id) && g.steps.has(stepId("cableOff", c.id)));
  const near = leads.find((c) => c.serves === "picture") ?? leads[0];
  const cover = b.build.parts.find((p) => p.role === "baseCover");
  if (near) return reachOf(v, b, [stepId("cableOff", near.id)], made, stepId("cableOff", near.id));
  return reachOf(v, b, cover ? [stepId("partOut", cover.id)] : covers, made);
}

/**
 * What has to come away, as the machine stands now, before a lead can be taken off by itself: power first, then covers with
 * their screws; the new panel where the lead lies behind it. The way back is the plan's own.
 * @param connector id of the lead
 * @param made the plan of this job, where there is one: of several ways the one it takes
 * @returns the steps with their acts in order, the lead's own last; empty when it is off; null when the build has no such lead
 * @example reachLead(view, "display-plug").steps.at(-1).act.type // "swap.cableDisconnected"
 */
export function reachLead(v: JobView, connector: string, made: PlanResult | null = null): Reach | null {
  const b = buildOf(v);
  const c = b?.connector.get(connector);
  if (!b || !c) return null;
  if (v.state.connectors[connector] === "off") return { steps: [], minutes: 0 };
  const own = c.joins[0] === b.subject.id;
  const under =
    seated(v.state) && ((own && !c.reachableWhenSeated) || (!own && hiddenBySeat(b.build, c)) || c.under.includes(b.subject.id));
  const goals = [...(under ? [stepId("partOut", b.subject.id)] : []), stepId("cableOff", connector)];
  return reachOf(v, b, goals, made);
}
