import { behind, hangs, hiddenBySeat, lateLeads, overPower, partsHeld, saidBefore, triedWhole } from "../../build";
import { stepId } from "../step";
import { firstFed, screwedAfterTest } from "./power";
import { firstOfBond, Says, type Source, type WayInAsk } from "./source";

const REACH = "Cannot be reached once the panel is seated, so it goes on before it is lowered.";
const TRIED = "The new one is tried with its connectors on, before anything is stuck or closed.";
const BESIDE = "It goes on with the panel lying beside the lid: later nobody gets at it so well.";
const HUNG = "It hangs on its hinges before a lead is on it: a lead is no hinge.";
const PICTURE = "It carries the picture: without it the loose test shows nothing.";
const SUPPLY = "The supply comes in by it: without it the loose test has none.";

/**
 * Leads: what moves over, the subject's own connectors, what is out of reach once it is seated, and the pack's last of all.
 * @example leads(ask).edges.length > 0 // true
 */
export function leads(ask: WayInAsk): Source {
  const { b, build } = ask;
  const say = new Says(ask);
  const whole = triedWhole(build);
  // Where nothing is tried loose, the leads go on before it is lowered.
  const next = whole ? firstOfBond(ask) : firstFed(ask, "test");
  const moved = build.parts.filter((p) => p.transplant).map((p) => say.step("transplant", p.id));
  for (const c of b.subjectConnectors) {
    const hidden = hiddenBySeat(build, c);
    const on = say.step("cableOn", c.id, hidden ? REACH : hangs(build) ? HUNG : whole ? BESIDE : TRIED);
    for (const m of moved) say.before(m, on, "what moves over is moved before any connector is on");
    if (hangs(build) && !hidden) say.rather(stepId("seat"), on, "it hangs on its hinges before a lead is on it");
    if (!hangs(build)) say.before(on, next, "its leads go on with it lying loose beside the lid");
    else say.before(on, whole ? stepId("seams") : next, "a panel is powered with its connectors on");
  }
  const early = earlySteps(ask);
  for (const id of early.keys())
    if (!hangs(build) || !whole) say.before(id, next, "it is needed for the test, or out of reach once the panel is seated");
  const oneStart = hangs(build) && screwedAfterTest(ask).length === 0;
  if (hangs(build)) {
    for (const m of moved) say.before(m, stepId("seat"), "what moves over is moved before it is set on its hinges");
    for (const c of build.connectors)
      if (hiddenBySeat(build, c))
        say.before(stepId("cableOn", c.id), stepId("seat"), "no hand reaches it once the lid is on its hinges");
  }
  for (const id of beforeOpenPass(ask))
    say.before(id, firstFed(ask, oneStart ? "test" : "prove"), "the open pass looks at what it serves");
  // What the build puts before the test by name, or what would stand in the way, is plugged in with its part lying beside.
  for (const c of build.connectors)
    if (c.joins[0] !== b.subject.id && !b.part.get(c.joins[0])?.fold) {
      const [part, lead] = [stepId("partBack", c.joins[0]), stepId("cableOn", c.id)];
      if (early.has(part) || !early.has(lead)) say.before(part, lead, "a lead goes on once its part lies in its place");
    }
  for (const p of build.parts)
    for (const c of build.connectors)
      if (c.under.includes(p.id)) say.before(stepId("cableOn", c.id), stepId("partBack", p.id), "the lead lies under it");
  const over = overPower(b);
  for (const c of b.powerPoints) {
    const on = stepId("cableOn", c.id);
    const last = "everything else is home before pack voltage returns";
    for (const x of build.connectors) if (!x.powerPoint && !over.has(x.joins[0])) say.before(stepId("cableOn", x.id), on, last);
    for (const p of build.parts) if (!over.has(p.id) && p.id !== b.subject.id) say.before(stepId("partBack", p.id), on, last);
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
    for (const x of homeSteps(ask, b.connector.get(id)!.joins[0])) first(x, why);
  };
  for (const c of build.connectors) if (hiddenBySeat(build, c) && c.joins[0] !== b.subject.id) lead(c.id, REACH);
  // What the test needs between board and panel, and between supply and board: on at both ends before power comes.
  for (const c of build.connectors)
    if (!c.powerPoint && c.joins[0] !== b.subject.id && (c.serves === "picture" || c.serves === "power"))
      lead(c.id, c.serves === "picture" ? PICTURE : SUPPLY);
  const ahead = saidBefore(build, ["seat", "looseTest"]);
  for (const x of ahead) {
    // What the build says itself of why is what is said.
    const why = build.wayIn.find((w) => w.first === x && ahead.has(w.next))?.why ?? REACH;
    if (b.part.has(x)) {
      early.set(stepId("partBack", x), why);
      // Its screws with it, unless the build puts them later by name: what is located now and screwed afterwards is two acts.
      for (const g of build.screwGroups)
        if (partsHeld(g).includes(x) && !build.wayIn.some((w) => w.next === g.id)) first(stepId("screwsBack", g.id), why);
    }
    if (b.connector.has(x)) early.set(stepId("cableOn", x), why);
  }
  return early;
}

/**
 * Steps that come before the open pass because it looks at what they serve: a camera's lead, touch, with the part it hangs on.
 * @example [...beforeOpenPass(ask)].length // 0
 */
export function beforeOpenPass(ask: WayInAsk): Set<string> {
  const { b, build } = ask;
  const late = lateLeads(build);
  const found = new Set<string>();
  for (const c of build.connectors)
    if ((c.serves === "camera" || c.serves === "touch") && c.joins[0] !== b.subject.id && !c.powerPoint && !late.has(c.id)) {
      found.add(stepId("cableOn", c.id));
      for (const x of homeSteps(ask, c.joins[0])) found.add(x);
    }
  return found;
}

/** The steps that bring a part home with all that lies behind it; none where it lies beside until later. */
function homeSteps({ b }: WayInAsk, part: string): string[] {
  const home = behind(b, part);
  if (!home) return [];
  return [
    ...[...home.parts].map((p) => stepId("partBack", p)),
    ...[...home.groups].map((g) => stepId(b.group.get(g)!.loosenOnly ? "screwsTighten" : "screwsBack", g)),
    ...[...home.plugs].map((c) => stepId("cableOn", c)),
  ];
}

/**
 * Why a lead of the mirror stands where it stands; undefined where plain reversal would put it there.
 * @example whyLead(ask, "battery-plug", new Map()) // "The last connector: everything else is home before pack voltage returns."
 */
export const whyLead = (ask: WayInAsk, connector: string, early: ReadonlyMap<string, string>): string | undefined =>
  ask.b.powerPoints.some((c) => c.id === connector)
    ? "The last connector: everything else is home before pack voltage returns."
    : early.get(stepId("cableOn", connector));
