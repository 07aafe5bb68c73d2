import { adhesiveLeft, comesBack, hangs, hasFilms } from "../../build";
import { stepId } from "../step";
import { lastFed } from "./power";
import { beforeClosing, firstOfBond, Says, type Source, type WayInAsk } from "./source";

/**
 * The bond: changes for this panel, tape, dust, films, seating, pressing, in the one order that leaves no second try.
 * @example bond(ask).steps.map((x) => x.kind).includes("seat") // true
 */
export function bond(ask: WayInAsk): Source {
  const { b, pieces, changes } = ask;
  const say = new Says(ask);
  const seat = stepId("seat");
  for (const c of changes) {
    const id = say.step("change", c.field);
    if (c.at === "swap") {
      if (!hangs(ask.build)) say.before(stepId("looseTest"), id, "a panel that shows no picture asks for no change");
      say.before(id, firstOfBond(ask), "it is done with the new panel loose beside the lid");
    } else {
      say.before(lastFed(ask, "closed"), id, "it needs the machine running");
      say.before(id, stepId("proveClosed"), "the closed pass looks at what was changed");
    }
  }
  const gone = new Set(ask.out.filter((s) => s.kind === "tapeOut").map((s) => s.target));
  for (const id of adhesiveLeft(b)) {
    if (!gone.has(id)) continue;
    const clean = say.step("adhesiveOff", id);
    say.before(stepId("looseTest"), clean, "its solvent waits for no start: it is tried first");
    for (const p of pieces) if (p.tapeId === id) say.before(clean, stepId("tapeLay", p.id), "tape is laid on a clean ledge");
    for (const k of ["rehearse", "dust", "seat"] as const)
      say.before(clean, stepId(k), "what is rubbed off falls into the pocket");
  }
  // Whatever else was stuck on is stuck on again before it goes home.
  for (const t of ask.build.tapes) {
    const part = b.part.get(t.holds);
    if (!part || part.id === b.subject.id || !gone.has(t.id) || !comesBack(part)) continue;
    const tape = say.step("partTape", t.id);
    say.before(tape, stepId("partBack", part.id), "it is stuck on with it");
    say.rather(beforeClosing(ask), tape, "it is laid when its part is put on");
  }
  for (const p of pieces) {
    if (!ask.build.subject.bringsTape) {
      const lay = say.step("tapeLay", p.id);
      say.before(lay, stepId("rehearse"), "the lowering is rehearsed over the tape, liners on");
      say.before(stepId("looseTest"), lay, "the loose test comes before any tape");
    }
    const pull = say.step("linerPull", p.id);
    if (hasFilms(ask.build)) {
      say.before(stepId("dust"), pull, "dust is blown off before the tape is bare");
      say.before(pull, stepId("backFilmOff"), "the film comes off in the last seconds");
    } else say.before(pull, seat, "the tape is bare when it is set on");
  }
  const films = hasFilms(ask.build);
  if (pieces.length) {
    say.step("rehearse");
    if (films) say.before(stepId("rehearse"), stepId("dust"), "dust settles again while it is rehearsed");
    else for (const p of pieces) say.before(stepId("rehearse"), stepId("linerPull", p.id), "the tape grips at once");
  }
  if (films) {
    say.step("dust");
    say.step("backFilmOff");
    say.before(stepId("dust"), stepId("backFilmOff"), "dust is blown off before the panel is bare");
  }
  say.step("seat", b.subject.id);
  if (films) say.before(stepId("backFilmOff"), seat, "the film would stay under the panel");
  if (pieces.length) say.before(seat, say.step("press"), "it is pressed where it lies");
  return say;
}
