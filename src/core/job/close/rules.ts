import { type BuildIndex, comesBack, FATE_WORDS, screwsComeBack, turnOf } from "../../build";
import { listed } from "../../quantity";
import { type Answer, firstShut, no, notHere } from "../answer";
import { placeOf } from "../clock";
import { homeAgain } from "../passes";
import type { RulesOf } from "../rule";
import type { JobState } from "../state";
import { mayCloseUp } from "./closingUp";
import { mayHandOver } from "./handOver";
import type { closePayloads } from "./payloads";
import { mayPutBack } from "./putBack";

/** Seams and angle are looked at once everything is back. */
function allBack(s: JobState, b: BuildIndex): Answer {
  const away = b.build.parts.filter((p) => s.parts[p.id] === "out" && p.id !== b.subject.id && comesBack(p));
  return away.length ? no("close", `${listed(away.map((p) => p.name))} not back yet.`) : null;
}

export const closeRules = {
  "close.partBack": {
    name: "a part put back",
    on: "machine",
    may: (p, v) => {
      const part = v.b.part.get(p.part);
      if (!part) return notHere("part", p.part);
      // What was only folded over folds back, when the machine is closed again from there.
      if (v.s.parts[part.id] !== "out" && v.s.parts[part.id] !== "folded") return no("part", `${part.name} is not out.`);
      if (!comesBack(part)) return no("part", `${part.name} does not go back: ${FATE_WORDS[part.fate!]}.`);
      return part.id === v.b.subject.id ? no("part", "The panel is seated at Bond.") : mayCloseUp(v, part.id);
    },
    apply: (s, p, { b }) => {
      s.parts[p.part] = "back";
      // Stuck on again: off once more, it is as it was found.
      for (const t of b?.build.tapes ?? [])
        if (t.holds === p.part) {
          delete s.tapesOut[t.id];
          delete s.close.taped[t.id];
        }
      homeAgain(s);
    },
  },
  "close.partTaped": {
    name: "tape on a part",
    on: "machine",
    may: (p, { s, b }) => {
      const t = b.tape.get(p.tape);
      if (!t) return notHere("tape", p.tape);
      const part = b.part.get(t.holds)!;
      if (part.id === b.subject.id) return no("tape", "The panel's tape is laid at Bond.");
      if (!comesBack(part)) return no("tape", `${part.name} does not go back: ${FATE_WORDS[part.fate!]}.`);
      if (s.parts[part.id] !== "out" && !s.tapesOut[t.id]) return no("tape", `${part.name} is not out, and its tape holds.`);
      if (s.bench.solvent) return no("solvent", "Solvent is not dry yet: tape does not hold on it.");
      return s.close.taped[t.id] ? no("tape", `${t.name} is on already.`) : null;
    },
    apply: (s, p) => {
      s.close.taped[p.tape] = p.with;
    },
  },
  "close.lidTurnedBack": {
    name: "the lid turned back",
    on: "machine",
    may: (p, { s, b }) => {
      if (!turnOf(b.build, p.turn)) return notHere("turn", p.turn);
      if (s.turned[p.turn] !== "out") return no("turn", "It is not turned.");
      const loose = b.build.screwGroups.filter(
        (g) => g.keepUntil === p.turn && screwsComeBack(b.build, g) && g.screws.some((x) => s.screws[x.id] === "out"),
      );
      return loose.length
        ? no("turn", `First ${listed(loose.map((g) => g.name.toLowerCase()))} in: without them nothing holds it.`)
        : null;
    },
    apply: (s, p) => {
      s.turned[p.turn] = "back";
    },
  },
  "close.screwBack": {
    name: "a screw put back",
    on: "machine",
    may: (p, v) => mayPutBack(v, v.b, p.screw, p.type),
    apply: (s, p) => {
      s.screws[p.screw] = "back";
      homeAgain(s);
    },
  },
  "close.screwsBackTogether": {
    name: "screws put back together",
    on: "machine",
    may: (p, v) =>
      firstShut(p.screws, (x) =>
        v.b.groupOfScrew.get(x)?.id === p.group ? mayPutBack(v, v.b, x) : no("screw", `Screw ${x} is not of group ${p.group}.`),
      ),
    apply: (s, p) => {
      for (const x of p.screws) s.screws[x] = "back";
      homeAgain(s);
    },
  },
  "close.screwTightened": {
    name: "a screw tightened",
    on: "machine",
    may: (p, { s }) => (s.screws[p.screw] === "loosened" ? null : no("screw", "That one was not loosened, or is tight again.")),
    apply: (s, p) => {
      s.screws[p.screw] = "tightened";
      homeAgain(s);
    },
  },
  "close.screwAccounted": {
    name: "a screw accounted for",
    on: "machine",
    may: (p, { s }) => (s.screws[p.screw] === "out" ? null : no("screw", "That one is not out.")),
    apply: (s, p) => {
      s.screws[p.screw] = p.as;
      s.screwNotes[p.screw] = p.reason;
    },
  },
  "close.screwExtra": {
    name: "a screw left over",
    on: "machine",
    apply: (s, p) => {
      s.extraScrews.push(p);
    },
  },
  "close.seamChecked": {
    name: "a seam looked at",
    on: "machine",
    may: (_, { s, b }) => allBack(s, b),
    apply: (s, p) => {
      s.close.seams[p.edge] = true;
    },
  },
  "close.angleChecked": {
    name: "the lid angle",
    on: "machine",
    may: (_, { s, b }) => allBack(s, b),
    apply: (s, p) => {
      s.close.angleDeg = p.degrees;
    },
  },
  "close.handedOver": {
    name: "the machine handed over",
    on: "machine",
    may: (_, v) => (v.s.close.handedOver ? no("close", "It is handed over.") : mayHandOver(v)),
    apply: (s, p, { e }) => {
      s.close.handedOver = { to: p.to, clock: placeOf(e) };
    },
  },
} satisfies RulesOf<typeof closePayloads>;
