import type { BuildIndex } from "../../build";
import { stepId } from "../step";
import { firstFed } from "./power";
import { Says, type Source, type WayInAsk } from "./source";

const REACH = "Cannot be reached once the panel is seated, so it goes on before it is lowered.";
const PICTURE = "It carries the picture: without it the loose test shows nothing.";
const SUPPLY = "The supply comes in by it: without it the loose test has none.";

/**
 * Leads: what moves over, the subject's own connectors, what is out of reach once it is seated, and the pack's last of all.
 * @example leads(ask).edges.length > 0 // true
 */
export function leads(ask: WayInAsk): Source {
  const { b, build } = ask;
  const say = new Says(ask);
  const moved = build.parts.filter((p) => p.transplant).map((p) => say.step("transplant", p.id));
  for (const c of b.subjectConnectors) {
    const on = say.step("cableOn", c.id, REACH);
    for (const m of moved) say.before(m, on, "what moves over is moved before any connector is on");
    say.before(on, firstFed(ask, "test"), "a panel is powered with its connectors on");
  }
  const early = earlySteps(ask);
  for (const id of early.keys())
    say.before(id, firstFed(ask, "test"), "it is needed for the test, or out of reach once the panel is seated");
  // What the build puts before the test by name, or what would stand in the way, is plugged in with its part lying beside.
  for (const c of build.connectors)
    if (c.joins[0] !== b.subject.id && early.has(stepId("cableOn", c.id)) && early.has(stepId("partBack", c.joins[0])))
      say.before(stepId("partBack", c.joins[0]), stepId("cableOn", c.id), "a lead goes on once its part lies in its place");
  for (const p of build.parts)
    for (const c of build.connectors)
      if (c.under.includes(p.id)) say.before(stepId("cableOn", c.id), stepId("partBack", p.id), "the lead lies under it");
  for (const c of b.powerPoints) {
    const on = stepId("cableOn", c.id);
    const last = "everything else is home before pack voltage returns";
    for (const x of build.connectors) if (!x.powerPoint) say.before(stepId("cableOn", x.id), on, last);
    const bezel = build.parts.find((p) => p.role === "bezel");
    if (bezel) say.before(stepId("partBack", bezel.id), on, last);
  }
  return say;
}

/**
 * Steps that come before the test because nobody reaches them over a seated panel: leads, the part such a lead hangs on, and what
 * the build itself puts before the test or the seating - a plate that holds a plug home, a gasket the cell is located against -
 * with the screws that hold it. Each with its reason.
 * @example [...earlySteps(ask)] // []
 */
export function earlySteps(ask: WayInAsk): Map<string, string> {
  const { b, build } = ask;
  const early = new Map<string, string>();
  const first = (id: string, why: string) => {
    if (!early.has(id)) early.set(id, why);
  };
  const lead = (id: string, why: string) => {
    first(stepId("cableOn", id), why);
    for (const x of behind(ask, b.connector.get(id)!.joins[0]) ?? []) first(x, why);
  };
  for (const c of build.connectors) if (!c.reachableWhenSeated && c.joins[0] !== b.subject.id) lead(c.id, REACH);
  // What the test needs between board and panel, and between supply and board: on at both ends before power comes.
  for (const c of build.connectors)
    if (!c.powerPoint && c.joins[0] !== b.subject.id && (c.serves === "picture" || c.serves === "power"))
      lead(c.id, c.serves === "picture" ? PICTURE : SUPPLY);
  const ahead = new Set(["seat", "looseTest"]);
  for (let grown = true; grown; ) {
    grown = false;
    for (const w of build.wayIn)
      if (ahead.has(w.next) && !ahead.has(w.first)) {
        ahead.add(w.first);
        grown = true;
      }
  }
  for (const x of ahead) {
    if (b.part.has(x)) {
      first(stepId("partBack", x), REACH);
      for (const g of build.screwGroups) if (g.holds === x) first(stepId("screwsBack", g.id), REACH);
    }
    if (b.connector.has(x)) first(stepId("cableOn", x), REACH);
  }
  return early;
}

/**
 * A part in its place, with everything that has to be home behind it first; null where it lies beside until later: it stands in
 * the way of what is put in, or something behind it does.
 */
function behind({ b, build }: WayInAsk, part: string): Set<string> | null {
  if (!b.part.get(part)?.out) return null;
  const inTheWay = blockers(b);
  const steps = new Set<string>();
  const parts = [part];
  for (const p of parts) {
    if (inTheWay.has(p) || b.part.get(p)!.role === "lid") return null;
    steps.add(stepId("partBack", p));
    for (const q of build.parts)
      if (q.out && q.id !== b.subject.id && q.blockedBy.includes(p) && !parts.includes(q.id)) parts.push(q.id);
    for (const g of build.screwGroups)
      if (g.under.includes(p)) {
        if (g.holds === b.subject.id) return null;
        steps.add(stepId(g.loosenOnly ? "screwsTighten" : "screwsBack", g.id));
        if (b.part.get(g.holds)?.out && !parts.includes(g.holds)) parts.push(g.holds);
      }
    for (const c of build.connectors)
      if (c.under.includes(p)) {
        if (c.powerPoint) return null;
        if (c.joins[0] !== b.subject.id) steps.add(stepId("cableOn", c.id));
      }
  }
  return steps;
}

/** Parts that stand in the way of the subject, at one remove or more. */
function blockers(b: BuildIndex): Set<string> {
  const found = new Set<string>();
  const walk = [b.subject.id];
  while (walk.length) {
    const p = b.part.get(walk.pop()!);
    for (const x of [...(p?.blockedBy ?? []), ...(p?.either.flatMap((e) => e.options.flatMap((o) => o.free)) ?? [])])
      if (b.part.has(x) && !found.has(x)) {
        found.add(x);
        walk.push(x);
      }
  }
  return found;
}

/**
 * Why a lead of the mirror stands where it stands; undefined where plain reversal would put it there.
 * @example whyLead(ask, "battery-plug", new Map()) // "The last connector: everything else is home before pack voltage returns."
 */
export const whyLead = (ask: WayInAsk, connector: string, early: ReadonlyMap<string, string>): string | undefined =>
  ask.b.powerPoints.some((c) => c.id === connector)
    ? "The last connector: everything else is home before pack voltage returns."
    : early.get(stepId("cableOn", connector));
