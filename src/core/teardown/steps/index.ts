import type { BuildIndex } from "../../build";
import type { Act, ActType, JobEvent } from "../../job";
import { type AtStep, type Moment, type Planned, type Step, type StepKind, type StepRule, stepId } from "../step";
import { adhesiveOff } from "./adhesiveOff";
import { angle } from "./angle";
import { backAct } from "./backAct";
import { backFilmOff } from "./backFilmOff";
import { batteryOff } from "./batteryOff";
import { batterySeen } from "./batterySeen";
import { cableOff } from "./cableOff";
import { cableOn } from "./cableOn";
import { change } from "./change";
import { drain } from "./drain";
import { dust } from "./dust";
import { frontFilmOff } from "./frontFilmOff";
import { handOver } from "./handOver";
import { labelSeen } from "./labelSeen";
import { lampGuard } from "./lampGuard";
import { lampWait } from "./lampWait";
import { linerPull } from "./linerPull";
import { look } from "./look";
import { looseTest } from "./looseTest";
import { mainsIn } from "./mainsIn";
import { mainsOut } from "./mainsOut";
import { oldBack } from "./oldBack";
import { packOff } from "./packOff";
import { packOn } from "./packOn";
import { partBack } from "./partBack";
import { partFold } from "./partFold";
import { partOut } from "./partOut";
import { partTape } from "./partTape";
import { press } from "./press";
import { proveClosed } from "./proveClosed";
import { proveOpen } from "./proveOpen";
import { rehearse } from "./rehearse";
import { screwsBack } from "./screwsBack";
import { screwsLoosen } from "./screwsLoosen";
import { screwsOut } from "./screwsOut";
import { screwsTighten } from "./screwsTighten";
import { seams } from "./seams";
import { seat } from "./seat";
import { shutDown } from "./shutDown";
import { start } from "./start";
import { tapeLay } from "./tapeLay";
import { tapeOut } from "./tapeOut";
import { tether } from "./tether";
import { transplant } from "./transplant";
import { turnBack } from "./turnBack";
import { turnLid } from "./turnLid";

/** Every kind of step with its rule, roughly in the order of work. A file of this folder whose kind is missing here does not compile. */
export const STEPS = {
  shutDown,
  mainsOut,
  packOff,
  batteryOff,
  lampWait,
  drain,
  screwsOut,
  screwsLoosen,
  tapeOut,
  partFold,
  partOut,
  cableOff,
  tether,
  look,
  turnLid,
  labelSeen,
  oldBack,
  transplant,
  backAct,
  change,
  lampGuard,
  packOn,
  cableOn,
  start,
  mainsIn,
  looseTest,
  adhesiveOff,
  tapeLay,
  rehearse,
  linerPull,
  dust,
  backFilmOff,
  seat,
  press,
  batterySeen,
  proveOpen,
  frontFilmOff,
  partTape,
  partBack,
  screwsBack,
  screwsTighten,
  turnBack,
  proveClosed,
  seams,
  angle,
  handOver,
} satisfies Record<StepKind, StepRule>;

const RULE: Readonly<Record<StepKind, StepRule>> = STEPS;

/** The rule of a kind of step. @example stepRule("seat").press // "Press when it sits" */
export const stepRule = (kind: StepKind): StepRule => RULE[kind];

const idOf = (kind: StepKind, target: string): string => stepId(kind, RULE[kind].once ? "" : target);

/** A step of this kind about this target, with its words from the build. @example makeStep({ b, changes: [] }, "dust").minutes // 1 */
export function makeStep(p: Planned, kind: StepKind, target = ""): Step {
  const rule = RULE[kind];
  const station = typeof rule.station === "function" ? rule.station(p, target) : rule.station;
  return { id: idOf(kind, target), kind, target, station, ...rule.make(p, target) };
}

/**
 * Whether a step is done, told from the state alone.
 * @example stepDone(atStep, makeStep({ b, changes: [] }, "shutDown")) // false
 */
export const stepDone = (v: AtStep, s: Step): boolean => RULE[s.kind].done(v, s.target);

/**
 * The one act that takes a step further, or null.
 * @example stepNext(atStep, makeStep({ b, changes: [] }, "shutDown")).type // "bench.shutDown"
 */
export const stepNext = (v: AtStep, s: Step): Act | null => RULE[s.kind].next(v, s.target);

type Belongs = (p: unknown, at: Moment) => string | null;
const byEvent = new Map<string, { kind: StepKind; target: Belongs }[]>();
for (const [kind, rule] of Object.entries(RULE) as [StepKind, StepRule][])
  for (const [type, target] of Object.entries(rule.events))
    byEvent.set(type, [...(byEvent.get(type) ?? []), { kind, target: target as Belongs }]);

/**
 * The step an event belongs to, by its id; null for a record that is no act on the machine, and for an act that belongs to
 * whatever step is under way.
 * @param at the state before the event
 * @example stepOfEvent(event, { s, b }) // "screwsOut:no-such"
 */
export function stepOfEvent(e: JobEvent, at: { s: Moment["s"]; b: BuildIndex }): string | null {
  for (const { kind, target } of byEvent.get(e.type) ?? []) {
    const found = target(e.payload, at);
    if (found !== null) return idOf(kind, found);
  }
  return null;
}

/** Acts of no step of their own: they happen at whatever step is under way, and its time is theirs. */
export const UNDER_WAY = [
  "open.found",
  "open.stuck",
  "open.mended",
  "close.screwExtra",
  "bench.solventUsed",
  "bench.solventDry",
  "bench.heatOn",
  "bench.heatOff",
] as const satisfies readonly ActType[];

type Table = typeof STEPS;
type StepEvents = { [K in keyof Table]: keyof Table[K]["events"] }[keyof Table];
type Homeless = Exclude<ActType, StepEvents | (typeof UNDER_WAY)[number]>;
/** Every act on the machine belongs to a step: one that does not is named here by the compiler. */
export const HOMELESS: Record<Homeless, never> = {};
