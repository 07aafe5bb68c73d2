import { hangs, hasFilms, lampLit, overPower, partsHeld, seenAtHome, triedWhole } from "../../build";
import { type StepKind, stepId } from "../step";
import { pointsOf } from "../steps/power";
import { firstOfBond, firstOfClose, Says, type Source, type WayInAsk } from "./source";

/** The three starts of a job; what is tried whole has but the one of its open pass, and goes on to the closed one. */
export type Start = "test" | "prove" | "closed";

/**
 * What feeds a start, in order: the pack's plugs, the mains, or a start on the battery alone. Only what the supply needs; the
 * closed pass finds the pack at home.
 * @example feeding(ask, "test") // [["mainsIn", "test"]]
 */
export function feeding({ b, build }: WayInAsk, tag: Start): [StepKind, Start][] {
  const { feed } = pointsOf(b);
  // Battery-off mode ends by mains: there it is the mains that wakes the battery.
  const alone = feed && build.isolation.testSupply === "battery";
  const whole = triedWhole(build);
  return [
    ...(lampLit(build) && !whole && tag !== "closed" ? ([["lampGuard", tag]] as [StepKind, Start][]) : []),
    ...(feed && tag !== "closed" && !whole ? ([["packOn", tag]] as [StepKind, Start][]) : []),
    ...(!alone ? ([["mainsIn", tag]] as [StepKind, Start][]) : tag === "test" ? [] : ([["start", tag]] as [StepKind, Start][])),
  ];
}

/**
 * The first step that brings power for a start, by id; what is tried whole has but one.
 * @example firstFed(ask, "test") // "mainsIn:test"
 */
export const firstFed = (ask: WayInAsk, tag: Start): string => stepId(...feeding(ask, triedWhole(ask.build) ? "prove" : tag)[0]!);
/** The step after which it runs. @example lastFed(ask, "closed") // "mainsIn:closed" */
export const lastFed = (ask: WayInAsk, tag: Start): string =>
  stepId(...feeding(ask, tag === "closed" && triedWhole(ask.build) ? "prove" : tag).at(-1)!);

/**
 * Screws of a whole lid that go in after the test: all but those that hold it until then. None = the test's start is the open
 * pass's as well, for nothing is touched between.
 * @example screwedAfterTest(ask) // []
 */
export function screwedAfterTest({ b, build, settled }: WayInAsk): string[] {
  if (!hangs(build)) return [];
  const first = new Set(
    build.screwGroups.filter((g) => g.keepUntil && partsHeld(g).every((x) => x === b.subject.id)).map((g) => g.id),
  );
  return settled.filter((id) => id.startsWith("screws") && !first.has(id.slice(id.indexOf(":") + 1)));
}

/**
 * Power: fed for the test and both passes, and isolated again each time before hands go in.
 * @example power(ask).steps[0].id // "mainsIn:test"
 */
export function power(ask: WayInAsk): Source {
  const say = new Says(ask);
  const fed = (tag: Start) => {
    const ids = feeding(ask, tag).map(([k, t]) => say.step(k, t));
    say.chain(ids, "the pack is on before the mains goes in");
    return { first: ids[0]!, last: ids.at(-1)! };
  };
  if (triedWhole(ask.build)) {
    startsByItself(say);
    const whole = fed("prove");
    for (const s of ask.settled) {
      say.before(s, stepId("seams"), "it is fixed before it is looked round");
      if (hasFilms(ask.build)) say.before(s, stepId("frontFilmOff"), "the film comes off once it is fixed in its place");
    }
    say.before(stepId("angle"), whole.first, "its lamp circuit is closed before it is fed");
    say.before(whole.last, stepId("proveOpen"), "a check needs a supply");
    return say;
  }
  say.before(fed("test").last, stepId("looseTest"), "a test needs a supply");
  const test = stepId("looseTest");
  if (!hangs(ask.build))
    offAgain(say, "bond", test, [firstOfBond(ask)], "a test ends isolation: liners and films wait until it is isolated again");
  else {
    // Tried on its hinges: what holds it until then first, what is still to be screwed afterwards.
    const rest = screwedAfterTest(ask);
    for (const id of ask.settled)
      if (id.startsWith("screws") && !rest.includes(id)) {
        say.before(id, firstFed(ask, "test"), "it is held by its first screws while it is tried");
        for (const c of ask.b.subjectConnectors)
          say.rather(id, stepId("cableOn", c.id), "it is held by its first screws before a lead is on it");
      }
    if (rest.length) offAgain(say, "bond", test, rest, "nothing is screwed under power");
    say.before(stepId("seat"), firstFed(ask, "test"), "it is tried on its hinges");
    say.before(test, stepId("proveOpen"), "it is tried before it is proven");
    say.before(test, firstFed(ask, "prove"), "it is tried before it is proven");
  }
  const open = fed("prove");
  for (const s of ask.settled) say.before(s, open.first, "it is looked at once it is fixed in its place");
  say.before(open.last, stepId("proveOpen"), "a check needs a supply");
  offAgain(say, "close", stepId("proveOpen"), [firstOfClose(ask)], "nothing is pressed or screwed under power");
  startsByItself(say);
  battery(say);
  const closed = fed("closed");
  say.before(stepId("angle"), closed.first, "it is started once it is whole");
  say.before(closed.last, stepId("proveClosed"), "a check needs a supply");
  return say;
}

/** The battery is looked at once its plug is home, in a start of its own, and off again before anything goes over it. */
function battery(say: Says): void {
  const { b, build } = say.ask;
  const seen = seenAtHome(b);
  if (seen.length === 0) return;
  const ids = (
    [
      ["mainsIn", "home"],
      ["batterySeen", ""],
      ["shutDown", "home"],
      ["mainsOut", "home"],
    ] as const
  ).map(([k, t]) => say.step(k, t));
  ids.forEach((id, i) => {
    const next = ids[i + 1];
    if (next) say.atOnce(id, next, "the battery is seen and nothing else is done meanwhile");
  });
  const why = "under its cover nobody reaches the battery's lead";
  for (const c of b.powerPoints) say.before(stepId("cableOn", c.id), ids[0]!, "it is looked at on its own lead");
  say.before(stepId("proveOpen"), ids[0]!, "the open pass comes first");
  for (const p of new Set(seen.flatMap((c) => c.under))) say.before(ids.at(-1)!, stepId("partBack", p), why);
  for (const g of build.screwGroups)
    for (const k of ["screwsBack", "screwsTighten"] as const)
      say.rather(stepId(k, g.id), ids[0]!, "nothing is screwed meanwhile");
  say.before(ids.at(-1)!, stepId("seams"), why);
}

/** A machine that starts when its pack is attached runs as soon as the plug is home: shut down before anything goes over it. */
function startsByItself(say: Says): void {
  const { b, build } = say.ask;
  if (!build.isolation.startsWhenAttached || build.isolation.by !== "powerPoints" || b.powerPoints.length === 0) return;
  const off = say.step("shutDown", "home");
  const why = "it starts by itself when its pack is on, and nothing is screwed on a machine that runs";
  for (const c of b.powerPoints) say.before(stepId("cableOn", c.id), off, why);
  const over = overPower(b);
  for (const p of build.parts) if (over.has(p.id)) say.before(off, stepId("partBack", p.id), why);
  for (const g of build.screwGroups) {
    const ids = (["screwsBack", "screwsTighten"] as const).map((k) => stepId(k, g.id));
    for (const id of ids)
      if (over.has(g.holds)) say.before(off, id, why);
      else
        for (const c of b.powerPoints)
          say.before(id, stepId("cableOn", c.id), "everything else is home before pack voltage returns");
  }
  say.before(off, stepId("seams"), why);
}

/** Shut down, mains out, pack off, drained: between what ended isolation and what needs it. Only what the supply had put in. */
function offAgain(say: Says, tag: string, after: string, then: readonly string[], why: string): void {
  const { b, build } = say.ask;
  const { feed } = pointsOf(b);
  const kinds: StepKind[] = [
    "shutDown",
    ...(feed && build.isolation.testSupply === "battery" ? [] : ["mainsOut" as const]),
    ...(feed ? ["packOff" as const] : []),
    ...(build.isolation.by === "batteryOffMode" ? ["batteryOff" as const] : []),
    ...(lampLit(build) ? ["lampWait" as const] : []),
    "drain",
  ];
  const ids = kinds.map((k) => say.step(k, tag));
  say.chain(ids, "power comes off in this order");
  say.before(after, ids[0]!, "it runs until it is shut down again");
  for (const t of then) say.before(ids.at(-1)!, t, why);
}
