import { cannotLieOver, lookOf } from "../../build";
import { listed } from "../../quantity";
import { firstShut, no, notHere } from "../answer";
import { noteBare } from "../bench/films";
import { placeOf } from "../clock";
import { voidPasses } from "../passes";
import { powerOf } from "../power";
import type { RulesOf } from "../rule";
import { seated } from "../subject";
import type { openPayloads } from "./payloads";
import { heldBy, lookedAt, mayTakeOut, mayTurn, mayUnscrew } from "./takeOut";

export const openRules = {
  "open.screwOut": {
    name: "a screw taken out",
    on: "machine",
    may: (p, v) => mayUnscrew(v, v.b, p.screw, false),
    apply: (s, p) => {
      s.screws[p.screw] = "out";
    },
  },
  "open.screwsOutTogether": {
    name: "screws taken out together",
    on: "machine",
    may: (p, v) =>
      firstShut(p.screws, (x) =>
        v.b.groupOfScrew.get(x)?.id === p.group
          ? mayUnscrew(v, v.b, x, false)
          : no("screw", `Screw ${x} is not of group ${p.group}.`),
      ),
    apply: (s, p) => {
      for (const x of p.screws) s.screws[x] = "out";
      s.countedTogether.push(p.group);
    },
  },
  "open.screwLoosened": {
    name: "a screw loosened",
    on: "machine",
    may: (p, v) => mayUnscrew(v, v.b, p.screw, true),
    apply: (s, p) => {
      s.screws[p.screw] = "loosened";
    },
  },
  "open.tapeOut": {
    name: "tape freed",
    on: "machine",
    may: (p, v) => {
      const { s, b } = v;
      const t = b.tape.get(p.tape);
      if (!t) return notHere("tape", p.tape);
      const covered = t.under.filter((u) => s.parts[u] !== "out" && s.parts[u] !== "folded");
      if (covered.length)
        return no("covered", `${t.name} lies under ${listed(covered.map((u) => b.part.get(u)?.name.toLowerCase() ?? u))}.`);
      return s.tapesOut[t.id] ? no("tape", `${t.name} is out already.`) : lookedAt(v, b, t.id);
    },
    apply: (s, p) => {
      s.tapesOut[p.tape] = true;
    },
  },
  "open.partFolded": {
    name: "a part folded over",
    on: "machine",
    may: (p, v) => {
      const part = v.b.part.get(p.part);
      if (!part?.fold) return part ? no("part", `${part.name} does not fold over in this build.`) : notHere("part", p.part);
      return v.s.parts[part.id] && v.s.parts[part.id] !== "back"
        ? no("part", `${part.name} is folded or out already.`)
        : heldBy(v, v.b, part.id);
    },
    apply: (s, p, { b, e }) => {
      s.parts[p.part] = "folded";
      noteBare(s, b, placeOf(e));
    },
  },
  "open.partOut": {
    name: "a part taken out",
    on: "machine",
    may: (p, v) => mayTakeOut(v, v.b, p.part),
    apply: (s, p, { b, e }) => {
      s.parts[p.part] = "out";
      noteBare(s, b, placeOf(e));
      if (b?.subject.id === p.part) s.subject = "out";
      else if (seated(s)) voidPasses(s, p.part);
    },
  },
  "open.tethered": {
    name: "a part laid beside",
    on: "machine",
    may: (p, { b }) =>
      b.build.parts.some((x) => x.either?.some((e) => e.options.some((o) => o.id === p.option && o.instead)))
        ? null
        : notHere("way", p.option),
    apply: (s, p) => {
      s.tethered[p.option] = true;
    },
  },
  "open.lidTurned": {
    name: "the lid turned",
    on: "machine",
    may: (p, v) => mayTurn(v, v.b, p.turn),
    apply: (s, p) => {
      s.turned[p.turn] = "out";
    },
  },
  "open.looked": {
    name: "something looked at",
    on: "machine",
    may: (p, { b, s }) => {
      if (!lookOf(b.build, p.of)) return no("look", `Nothing was left open about "${p.of}" in this build.`);
      return s.looked[p.of] ? no("look", "It was looked at already.") : null;
    },
    apply: (s, { of, ...p }) => {
      s.looked[of] = p;
    },
  },
  "open.found": {
    name: "something found",
    on: "machine",
    may: (p, { b }) => {
      if (!b.part.has(p.holds)) return notHere("part", p.holds);
      const gone = p.under?.find((u) => !b.part.has(u));
      if (gone) return notHere("part", gone);
      const late = cannotLieOver(b, p);
      if (late)
        return no("found", `${late} comes away only after ${b.part.get(p.holds)!.name.toLowerCase()}: it cannot lie over it.`);
      return p.screwType && !b.screwType.has(p.screwType) ? notHere("screw type", p.screwType) : null;
    },
    apply: (s, { photo: _, ...find }, { e }) => {
      s.finds.push({ ...find, eventId: e.id });
    },
  },
  "open.mended": {
    name: "something mended",
    on: "machine",
    may: (p, v) => {
      const { b, s } = v;
      const part = b.part.get(p.part);
      if (!part) return notHere("part", p.part);
      if (p.group && !b.group.has(p.group)) return notHere("screw group", p.group);
      if (part.id === b.subject.id) return no("mend", "What is replaced is not mended.");
      if (powerOf(v).live) return no("mend", "Nothing is glued on a live machine: shut down, mains out first.");
      const loaded = p.group ? b.group.get(p.group)!.screws.some((x) => !s.screws[x.id] || s.screws[x.id] === "back") : false;
      return loaded && p.cureMin > 0 ? no("mend", "Its screws are in: out first, then glue.") : null;
    },
    apply: (s, p, { e }) => {
      s.mends.push({ ...p, eventId: e.id, clock: placeOf(e) });
    },
  },
  "open.stuck": {
    name: "a step that could not be done",
    on: "machine",
    apply: (s, p, { e }) => {
      s.stuck.push({ ...p, eventId: e.id });
    },
  },
} satisfies RulesOf<typeof openPayloads>;
