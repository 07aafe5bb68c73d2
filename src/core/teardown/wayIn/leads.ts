import { stepId } from "../step";
import { Says, type Source, type WayInAsk } from "./source";

const REACH = "Cannot be reached once the panel is seated, so it goes on before it is lowered.";

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
    say.before(on, stepId("mainsIn", "test"), "a panel is powered with its connectors on");
  }
  for (const id of earlySteps(ask)) say.before(id, stepId("mainsIn", "test"), "it cannot be reached once the panel is seated");
  // What the build puts before the test by name may be plugged in with its part still lying beside.
  for (const c of build.connectors)
    if (!c.reachableWhenSeated && c.joins[0] !== b.subject.id)
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
 * with the screws that hold it.
 * @example [...earlySteps(ask)] // []
 */
export function earlySteps({ b, build }: WayInAsk): Set<string> {
  const early = new Set<string>();
  for (const c of build.connectors)
    if (!c.reachableWhenSeated && c.joins[0] !== b.subject.id) {
      early.add(stepId("cableOn", c.id));
      if (b.part.get(c.joins[0])?.out) early.add(stepId("partBack", c.joins[0]));
    }
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
      early.add(stepId("partBack", x));
      for (const g of build.screwGroups) if (g.holds === x) early.add(stepId("screwsBack", g.id));
    }
    if (b.connector.has(x)) early.add(stepId("cableOn", x));
  }
  return early;
}

/**
 * Why a lead of the mirror stands where it stands; undefined where plain reversal would put it there.
 * @example whyLead(ask, "battery-plug", new Set()) // "The last connector: everything else is home before pack voltage returns."
 */
export const whyLead = (ask: WayInAsk, connector: string, early: ReadonlySet<string>): string | undefined =>
  ask.b.powerPoints.some((c) => c.id === connector)
    ? "The last connector: everything else is home before pack voltage returns."
    : early.has(stepId("cableOn", connector))
      ? REACH
      : undefined;
