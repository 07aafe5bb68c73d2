import type { BuildIndex } from "../build";
import { type Answer, no } from "./answer";
import { buildOf, type JobView } from "./derived";
import type { JobEvent } from "./event";
import type { EventType } from "./payloads";
import { lampClear } from "./power";
import { ruleOf } from "./registry";
import type { EventRule } from "./rule";
import { STOCK_LOG } from "./stock/log";
import { dryClear, moneyWords, openMoneyStops, safetyClear, solventClear } from "./stops";

/** Reference data an event names by hash has to be with the job, and of the kind it is taken for. */
function snapshotMissing(v: JobView, e: JobEvent, rule: EventRule<EventType>): Answer {
  const { relies } = rule;
  if (!relies) return null;
  for (const [field, kind] of Object.entries(relies)) {
    const hash = (e.payload as Record<string, unknown>)[field];
    if (typeof hash === "string" && v.snapshots[hash]?.kind !== kind)
      return no("snapshot", `The ${kind} this event relies on is not with the job.`);
  }
  return null;
}

/** The rule and the event are of the same kind; that the compiler cannot follow through the table. No closure: every event of a long log comes here. */
function ask(rule: EventRule<EventType>, v: JobView, e: JobEvent, b: BuildIndex | null): Answer {
  const may = rule.may as ((p: unknown, a: unknown) => Answer) | undefined;
  return may === undefined ? null : may(e.payload, { state: v.state, snapshots: v.snapshots, s: v.state, e, b });
}

/**
 * The one gate every event passes: null to go, else which gate is shut and why. Pure: asked on the fold of everything
 * before the event in canonical order.
 * @example eventGate(view, event).reason // "This build has no screw \"no-such\"."
 */
export function eventGate(v: JobView, e: JobEvent): Answer {
  const s = v.state;
  const rule = ruleOf(e.type) as EventRule<EventType>;
  const stock = e.jobId === STOCK_LOG;
  if (stock && rule.inStock) return null;
  if (stock !== (rule.stock === true))
    return no(
      "log",
      stock
        ? `The log of the stock takes no ${rule.name}.`
        : `${rule.name[0]!.toUpperCase()}${rule.name.slice(1)} stands in the log of the stock.`,
    );
  if (stock) return ask(rule, v, e, null);
  const b = buildOf(v);
  if (rule.beforeOpening) return ask(rule, v, e, b);
  if (!s.job) return no("job", "The job was never opened.");
  if (s.closed && !rule.afterClosing) return no("job", "This job is closed. Take the closing back first.");
  if (rule.always) return ask(rule, v, e, b);
  const through = typeof rule.throughStop === "function" ? rule.throughStop(e.payload as never, s) : rule.throughStop;
  const safety = through ? null : safetyClear(v);
  if (safety) return safety;
  const powers = typeof rule.powers === "function" ? rule.powers(e.payload as never, v) : rule.powers;
  const wet = powers ? (dryClear(v) ?? solventClear(v)) : null;
  if (wet) return wet;
  const lamp = powers ? lampClear(v, e.type === "swap.cableConnected") : null;
  if (lamp) return lamp;
  if (rule.on === "machine") {
    const money = openMoneyStops(s)[0];
    if (money) return no("money", `${moneyWords(money).name}: ${moneyWords(money).say}`);
    if (!b) return no("plan", "No plan yet: read the machine's build in Plan first.");
  }
  return snapshotMissing(v, e, rule) ?? ask(rule, v, e, b);
}
