import { cutList } from "../../tape";
import { no, notHere } from "../answer";
import { noteBare, sheetAway } from "../bench/films";
import { placeOf } from "../clock";
import type { RulesOf } from "../rule";
import { seated } from "../subject";
import type { bondPayloads } from "./payloads";
import { mayPullLiners, maySeat } from "./seating";

export const bondRules = {
  "bond.adhesiveOff": {
    name: "old adhesive off",
    on: "machine",
    may: (p, { s, b }) => {
      const t = b.tape.get(p.tape);
      if (!t) return notHere("tape", p.tape);
      if (t.holds !== b.subject.id) return no("bond", `${t.name} holds another part.`);
      return s.subject === "out" ? null : no("bond", "The old panel is still in, or the new one is seated.");
    },
    apply: (s, p) => {
      s.bond.cleaned[p.tape] = true;
    },
  },
  "bond.tapeLaid": {
    name: "a strip of tape laid",
    on: "machine",
    may: (p, { s, b }) => {
      if (!cutList(b.build).some((x) => x.id === p.piece)) return notHere("tape piece", p.piece);
      if (s.bench.solvent) return no("solvent", "Solvent is not dry yet: tape does not hold on it.");
      return s.subject === "out" ? null : no("bond", "The old panel is still in, or the new one is seated.");
    },
    apply: (s, p) => {
      s.bond.laid[p.piece] = true;
    },
  },
  "bond.rehearsed": {
    name: "the lowering rehearsed",
    on: "machine",
    may: (_, { s }) => (s.subject === "out" ? null : no("bond", "There is no loose panel to lower.")),
    apply: (s) => {
      s.bond.rehearsed = true;
    },
  },
  "bond.linerPulled": {
    name: "a liner pulled",
    on: "machine",
    may: (p, v) => {
      if (!cutList(v.b.build).some((x) => x.id === p.piece)) return notHere("tape piece", p.piece);
      return v.s.bond.linersPulled[p.piece] ? no("bond", "That liner is off.") : mayPullLiners(v);
    },
    apply: (s, p) => {
      s.bond.linersPulled[p.piece] = true;
    },
  },
  "bond.dusted": {
    name: "the dust blown off",
    on: "machine",
    may: (_, { s }) => (s.subject === "out" ? sheetAway(s) : no("bond", "There is no loose panel to lower.")),
    apply: (s) => {
      s.bond.dusted = true;
    },
  },
  "bond.filmOff": {
    name: "a film off",
    on: "machine",
    may: (p, v) => {
      if (p.film === "front") return seated(v.s) ? null : no("film", "The front film stays on until the panel is seated.");
      return v.s.bond.dusted
        ? mayPullLiners(v)
        : no("film", "Blow the dust off first: the back film comes off in the last seconds.");
    },
    apply: (s, p) => {
      if (p.film === "back") s.bond.backFilmOff = true;
      else s.bond.frontFilmOff = true;
    },
  },
  "bond.panelSeated": {
    name: "the new panel seated",
    on: "machine",
    may: (_, v) => sheetAway(v.s) ?? maySeat(v),
    apply: (s, _, { b, e }) => {
      s.subject = "placed";
      if (b) delete s.parts[b.subject.id];
      noteBare(s, b, placeOf(e));
    },
  },
  "bond.pressed": {
    name: "the tape pressed",
    on: "machine",
    may: (_, { s }) => (seated(s) ? null : no("bond", "The panel is not seated.")),
    apply: (s, _, { e }) => {
      s.bond.pressed = true;
      s.bond.pressedClock = placeOf(e);
    },
  },
} satisfies RulesOf<typeof bondPayloads>;
