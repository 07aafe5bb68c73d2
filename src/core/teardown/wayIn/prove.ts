import { hasFilms } from "../../build";
import { stepId } from "../step";
import { Says, type Source, type WayInAsk } from "./source";

/**
 * Proof: tried before anything is stuck, proven open before it is closed, looked round, proven closed, handed over.
 * @example prove(ask).steps.at(-1).id // "handOver"
 */
export function prove(ask: WayInAsk): Source {
  const say = new Says(ask);
  say.step("looseTest");
  say.step("proveOpen");
  const films = hasFilms(ask.build);
  if (films) say.step("frontFilmOff");
  const last = ["seams", "angle", "proveClosed", "handOver"] as const;
  for (const k of last) say.step(k);
  if (films) say.before(stepId("frontFilmOff"), stepId("seams"), "seams are looked at on a closed machine");
  say.chain(
    last.map((k) => stepId(k)),
    "looked round before it is started, started before it is handed over",
  );
  return say;
}
