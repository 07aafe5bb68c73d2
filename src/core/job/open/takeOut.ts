import { type BuildIndex, lookOf, partsHeld, turnOf } from "../../build";
import { listed } from "../../quantity";
import { type Answer, no, notHere } from "../answer";
import type { JobView } from "../derived";

/**
 * What the build left open about a thing is looked at before it is undone: a guess is not pried at.
 * @example lookedAt(view, b, "base-cover") // null
 */
export function lookedAt(v: JobView, b: BuildIndex, id: string): Answer {
  const l = lookOf(b.build, id);
  return l && !v.state.looked[id] ? no("look", `${capital(nameOf(b, id))}: look first. ${l.ask}`) : null;
}

/** May this screw come out, or be loosened: reached, and meant to? @example mayUnscrew(view, b, "b1", false) // null */
export function mayUnscrew(v: JobView, b: BuildIndex, screw: string, loosen: boolean): Answer {
  const g = b.groupOfScrew.get(screw);
  if (!g) return notHere("screw", screw);
  const covered = g.under.filter((u) => v.state.parts[u] !== "out" && v.state.parts[u] !== "folded");
  if (covered.length)
    return no("covered", `${g.name} lie under ${listed(covered.map((u) => b.part.get(u)?.name.toLowerCase() ?? u))}.`);
  if (g.loosenOnly !== loosen)
    return no("screw", g.loosenOnly ? "This one is only loosened, not taken out." : "This one is taken out, not only loosened.");
  const until = g.keepUntil;
  if (until && !(turnOf(b.build, until) ? v.state.turned[until] === "out" : isAway(v, b, until)))
    return no(
      "kept",
      `${g.name} stay in until ${turnOf(b.build, until) ? `the lid stands at ${turnOf(b.build, until)!.angleDeg}°` : `${nameOf(b, until)} is away`}: without them nothing holds it.`,
    );
  const s = v.state.screws[screw];
  return s === "out" || s === "loosened" ? no("screw", "It is recorded already.") : lookedAt(v, b, g.id);
}

/** What still holds a part: what blocks it, its screws, its tape. @example heldBy(view, b, "base-cover").gate // "held" */
export function heldBy(v: JobView, b: BuildIndex, partId: string): Answer {
  const p = b.part.get(partId)!;
  const blocked = p.blockedBy.filter((x) => v.state.parts[x] !== "out" && v.state.parts[x] !== "folded");
  if (blocked.length)
    return no("blocked", `${p.name} comes after ${listed(blocked.map((x) => b.part.get(x)?.name.toLowerCase() ?? x))}.`);
  for (const g of b.build.screwGroups) {
    if (!partsHeld(g).includes(partId)) continue;
    const left = g.screws.filter((s) => !["out", "loosened", "missing", "staysOut"].includes(v.state.screws[s.id] ?? "in"));
    if (left.length)
      return no(
        "held",
        `${left.length} of ${g.screws.length} screws still hold it: ${listed(left.slice(0, 3).map((s) => s.where.toLowerCase()))}${left.length > 3 ? " and more" : ""}.`,
      );
  }
  const taped = b.build.tapes.filter((t) => t.holds === partId && !v.state.tapesOut[t.id]);
  if (taped.length) return no("held", `${listed(taped.map((t) => t.name))} still ${taped.length === 1 ? "holds" : "hold"} it.`);
  return lookedAt(v, b, partId);
}

const capital = (words: string): string => words[0]!.toUpperCase() + words.slice(1);
const nameOf = (b: BuildIndex, x: string): string =>
  (b.part.get(x)?.name ?? b.group.get(x)?.name ?? b.connector.get(x)?.name ?? b.tape.get(x)?.name ?? x).toLowerCase();

/** Whether something named in a build is out of the way: a part out or folded, screws out, a plug off, a tape gone. */
function isAway(v: JobView, b: BuildIndex, x: string): boolean {
  const s = v.state;
  const g = b.group.get(x);
  if (g) return g.screws.every((y) => s.screws[y.id] !== undefined && s.screws[y.id] !== "back");
  if (b.connector.has(x)) return s.connectors[x] === "off";
  if (b.tape.has(x)) return !!s.tapesOut[x];
  return s.parts[x] === "out" || s.parts[x] === "folded";
}

/** May the lid be turned so? What must be away for it is. @example mayTurn(view, b, "no-such").gate // "build" */
export function mayTurn(v: JobView, b: BuildIndex, id: string): Answer {
  const t = turnOf(b.build, id);
  if (!t) return notHere("turn", id);
  if (v.state.turned[id] === "out") return no("turn", "It stands so already.");
  const left = t.free.filter((x) => !isAway(v, b, x));
  return left.length ? no("turn", `Before it is turned: ${listed(left.map((x) => nameOf(b, x)))} away.`) : null;
}

/**
 * May this part come out? Nothing holds it, nothing ties it, and it was folded first where it folds.
 * @example mayTakeOut(view, b, "base-cover").gate // "held"
 */
export function mayTakeOut(v: JobView, b: BuildIndex, partId: string): Answer {
  const p = b.part.get(partId);
  if (!p) return notHere("part", partId);
  if (!p.out) return no("part", `${p.name} does not come out in this build.`);
  if (v.state.parts[partId] === "out" || (p.id === b.subject.id && v.state.subject !== "in"))
    return no("part", `${p.name} is out already.`);
  const held = heldBy(v, b, partId);
  if (held) return held;
  if (p.fold && v.state.parts[partId] !== "folded")
    return no("blocked", `Fold ${p.name.toLowerCase()} over first: its cable is behind it.`);
  for (const e of p.either ?? []) {
    const met = e.options.some(
      (o) => o.free.every((x) => isAway(v, b, x)) && (o.instead ? v.state.tethered[o.id] : o.free.length > 0),
    );
    if (!met)
      return no(
        "held",
        `${e.why}: ${e.options.map((o) => o.instead?.verb.toLowerCase() ?? `free ${listed(o.free.map((x) => nameOf(b, x)))}`).join(", or ")}.`,
      );
  }
  const on = b.build.connectors.filter((c) => c.joins[0] === partId && v.state.connectors[c.id] !== "off");
  return on.length ? no("held", `${listed(on.map((c) => c.name))} still ${on.length === 1 ? "ties" : "tie"} it.`) : null;
}
