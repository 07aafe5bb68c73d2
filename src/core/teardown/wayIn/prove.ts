import { hasFilms, triedWhole } from "../../build";
import { stepId } from "../step";
import { Says, type Source, type WayInAsk } from "./source";

/**
 * Proof: tried before anything is stuck, proven open before it is closed, looked round, proven closed, handed over. What is lit
 * by a lamp has its circuit closed first: it is proven whole, both passes in one start.
 * @example prove(ask).steps.at(-1).id // "handOver"
 */
export function prove(ask: WayInAsk): Source {
  const say = new Says(ask);
  const whole = triedWhole(ask.build);
  if (!whole) say.step("looseTest");
  const films = hasFilms(ask.build);
  if (!whole) say.step("proveOpen");
  if (films) say.step("frontFilmOff");
  const last = whole
    ? (["seams", "angle", "proveOpen", "proveClosed", "handOver"] as const)
    : (["seams", "angle", "proveClosed", "handOver"] as const);
  for (const k of last) say.step(k);
  if (films) say.before(stepId("frontFilmOff"), stepId("seams"), "seams are looked at on a closed machine");
  say.chain(
    last.map((k) => stepId(k)),
    "looked round before it is started, started before it is handed over",
  );
  return say;
}
