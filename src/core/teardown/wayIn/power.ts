import { type StepKind, stepId } from "../step";
import { firstOfBond, Says, type Source, type WayInAsk } from "./source";

/**
 * Power: fed for the test and both passes, and isolated again each time before hands go in.
 * @example power(ask).steps[0].id // "mainsIn:test"
 */
export function power(ask: WayInAsk): Source {
  const say = new Says(ask);
  const fed = say.step("mainsIn", "test");
  say.before(fed, stepId("looseTest"), "a test needs a supply");
  offAgain(
    say,
    "bond",
    stepId("looseTest"),
    firstOfBond(ask),
    "a test ends isolation: liners and films wait until it is isolated again",
  );
  const open = say.step("mainsIn", "prove");
  for (const s of ask.settled) say.before(s, open, "it is looked at once it is fixed in its place");
  say.before(open, stepId("proveOpen"), "a check needs a supply");
  offAgain(say, "close", stepId("proveOpen"), stepId("frontFilmOff"), "nothing is pressed or screwed under power");
  const closed = say.step("mainsIn", "closed");
  say.before(stepId("angle"), closed, "it is started once it is whole");
  say.before(closed, stepId("proveClosed"), "a check needs a supply");
  return say;
}

/** Shut down, mains out, battery off where the firmware does it, drained: between what ended isolation and what needs it. */
function offAgain(say: Says, tag: string, after: string, then: string, why: string): void {
  const mode: StepKind[] = say.ask.build.isolation.by === "batteryOffMode" ? ["batteryOff"] : [];
  const kinds: StepKind[] = ["shutDown", "mainsOut", ...mode, "drain"];
  const ids = kinds.map((k) => say.step(k, tag));
  say.chain(ids, "power comes off in this order");
  say.before(after, ids[0]!, "it runs until it is shut down again");
  say.before(ids.at(-1)!, then, why);
}
