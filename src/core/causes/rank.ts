import { normalise } from "../chance";
import { type Cause, causeWeights, hypothesesOf, yesUnder } from "./hypotheses";
import { cheapestOrder } from "./order";
import type { CauseTable } from "./schema";

export type Seen = "yes" | "no" | "unclear" | "notDone";

export interface CauseAsk {
  /** How often each feed was touched, from the job's own log. */
  feeds: Readonly<Record<string, number>>;
  looseGood?: boolean;
  seen: Readonly<Record<string, Seen>>;
  opened?: boolean;
  openMinutes?: number;
}

export interface RankedCauses {
  /** With `noneOfThese`, the likeliest first. */
  ranking: { cause: string; p: number }[];
  next: { act: string; kind: "mend" | "look" | "giveUp"; minutes: number };
  /** What to check and mend, in the order that takes least expected minutes. */
  order: string[];
  /** Findings that cannot be true together, in words; chances are then those of before. */
  contradiction: string | null;
}

/** A look has to save a minute. */
const LOOK_SAVES = 1;

/**
 * What is wrong after a repair: causes ranked from what was touched and what is seen, and the next act that takes least expected
 * minutes, opening counted.
 * @param t the table, the shop's own
 * @param o what was touched how often, what was seen; *unclear* and *not done* move nothing
 * @throws RangeError for a finding the table has not
 * @example rankCauses(causeTable, { feeds: { camera: 1 }, seen: { noCamera: "yes" } }).ranking[0].cause // "cameraLead"
 */
export function rankCauses(t: CauseTable, o: CauseAsk): RankedCauses {
  const { now, ranking, contradiction } = weighed(t, o);
  return { ranking, ...nextAct(t, now, o), contradiction };
}

/**
 * The chances alone, without the next act: what that takes is nearly all of `rankCauses`.
 * @param t the table @param o what was touched how often, what was seen
 * @throws RangeError for a finding the table has not
 * @example causeChances(causeTable, { feeds: { camera: 1 }, seen: { noCamera: "yes" } })[0].cause // "cameraLead"
 */
export const causeChances = (t: CauseTable, o: CauseAsk): RankedCauses["ranking"] => weighed(t, o).ranking;

/** Hypotheses weighed by what was touched and seen. */
function weighed(t: CauseTable, o: CauseAsk): { now: Cause[] } & Pick<RankedCauses, "ranking" | "contradiction"> {
  const at = new Map(t.findings.map((f, i) => [f.id, i]));
  for (const f of Object.keys(o.seen)) if (!at.has(f)) throw new RangeError(`no finding "${f}" in this table`);
  const prior = normal(hypothesesOf(t, causeWeights(t, o.feeds, o.looseGood ?? false)));
  let all: Cause[] = prior;
  const told = Object.entries(o.seen)
    .filter(([, a]) => a === "yes" || a === "no")
    .sort(([a], [b]) => at.get(a)! - at.get(b)!);
  for (const [f, a] of told)
    all = all.map((h) => {
      const yes = yesUnder(t, h, at.get(f)!);
      return { set: h.set, p: h.p * (a === "yes" ? yes : 1 - yes) };
    });
  const possible = all.reduce((s, h) => s + h.p, 0) > 0;
  const now = possible && told.length ? normal(all) : prior;
  const ranking = [
    { cause: "noneOfThese", p: now[0]!.p },
    ...t.causes.map((c, i) => ({ cause: c.id, p: now.reduce((s, h) => s + (h.set.includes(i) ? h.p : 0), 0) })),
  ].sort((a, b) => b.p - a.p);
  return {
    now,
    ranking,
    contradiction: possible
      ? null
      : `These cannot be true together: ${told.map(([f, a]) => `${t.findings[at.get(f)!]!.name.toLowerCase()} ${a}`).join(", ")}.`,
  };
}

/** Chances that add up to 1, by the fold Triage uses. */
function normal(all: readonly Cause[]): Cause[] {
  const ps = normalise(Float64Array.from(all, (h) => Math.log(h.p)));
  return all.map((h, i) => ({ set: h.set, p: ps?.[i] ?? 0 }));
}

/** The first act of the cheapest order, or a look that saves more than it takes, or stopping. */
function nextAct(t: CauseTable, now: readonly Cause[], o: CauseAsk): Pick<RankedCauses, "next" | "order"> {
  const opened = o.opened ?? false;
  const openMinutes = o.openMinutes ?? t.openMinutes;
  const base = cheapestOrder(t, now, opened, openMinutes);
  const order = base.order.map((c) => t.causes[c]!.id);
  let next: RankedCauses["next"] = order[0]
    ? { act: order[0], kind: "mend", minutes: base.minutes }
    : { act: "giveUp", kind: "giveUp", minutes: base.minutes };
  let worth = base.minutes;
  for (const [i, f] of t.findings.entries()) {
    const seen = o.seen[f.id];
    if (f.minutes === 0 || (seen !== undefined && seen !== "notDone")) continue;
    let minutes = f.minutes + (f.access === "opened" && !opened ? openMinutes : 0);
    for (const yes of [true, false]) {
      const after = now.map((h) => {
        const y = yesUnder(t, h, i);
        return { set: h.set, p: h.p * (yes ? y : 1 - y) };
      });
      const p = after.reduce((s, h) => s + h.p, 0);
      if (p > 1e-9) minutes += p * cheapestOrder(t, normal(after), opened || f.access === "opened", openMinutes).minutes;
    }
    if (minutes + LOOK_SAVES < worth) {
      worth = minutes + LOOK_SAVES;
      next = { act: f.id, kind: "look", minutes };
    }
  }
  return { next, order };
}
