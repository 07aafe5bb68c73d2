import { afterRules } from "./after/rules";
import { benchRules } from "./bench/rules";
import { bondRules } from "./bond/rules";
import { closeRules } from "./close/rules";
import { identifyRules } from "./identify/rules";
import { jobRules } from "./job/rules";
import { matchRules } from "./match/rules";
import { openRules } from "./open/rules";
import type { EventType } from "./payloads";
import { planRules } from "./plan/rules";
import { proveRules } from "./prove/rules";
import { quoteRules } from "./quote/rules";
import type { EventRule } from "./rule";
import { stockRules } from "./stock/rules";
import { swapRules } from "./swap/rules";
import { triageRules } from "./triage/rules";

/** The rule of every kind of event. A kind without one does not compile. */
export const RULES = {
  ...jobRules,
  ...triageRules,
  ...quoteRules,
  ...identifyRules,
  ...matchRules,
  ...planRules,
  ...benchRules,
  ...openRules,
  ...swapRules,
  ...bondRules,
  ...proveRules,
  ...closeRules,
  ...afterRules,
  ...stockRules,
} satisfies { [T in EventType]: EventRule<T> };

/**
 * The rule of one event, its payload's type told by the event's own.
 * @example ruleOf("open.screwOut").name // "a screw taken out"
 */
export const ruleOf = <T extends EventType>(type: T): EventRule<T> => RULES[type] as unknown as EventRule<T>;

/** Kinds that change the machine or what feeds it: each belongs to a step of the plan. */
export type ActType = { [T in EventType]: (typeof RULES)[T]["on"] extends "desk" ? never : T }[EventType];
