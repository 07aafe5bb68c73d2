import { LAMP_WAIT_S, lampLit } from "../../build";
import { durationWords, listed } from "../../quantity";
import { no, notHere } from "../answer";
import { msOf, placeOf } from "../clock";
import { endIsolation, mayFeed, packCut, powerOf, standsOpen, stopWithoutSupply, wake } from "../power";
import type { RulesOf } from "../rule";
import { bareOf } from "./films";
import { mayHeat } from "./heat";
import type { benchPayloads } from "./payloads";

/** Passes and readings kept at hand: a warming has fewer. */
const HEAT_KEPT = 60;

export const benchRules = {
  "bench.shutDown": {
    name: "shutting down",
    on: "power",
    throughStop: true,
    apply: (s) => {
      s.bench.shutDown = true;
      s.bench.running = false;
    },
  },
  "bench.mainsOut": {
    name: "the mains taken out",
    on: "power",
    throughStop: true,
    apply: (s, _, { b }) => {
      s.bench.mains = "out";
      stopWithoutSupply(s, b);
    },
  },
  "bench.mainsIn": {
    name: "the mains put in",
    on: "power",
    powers: true,
    may: (_, v) => mayFeed(v),
    apply: (s, _, { e, b }) => {
      s.bench.mains = "in";
      s.bench.batteryOff = false;
      if (b?.build.isolation.startsWhenAttached) wake(s);
      endIsolation(s, placeOf(e));
    },
  },
  "bench.filmsCovered": {
    name: "bare films covered",
    on: "desk",
    may: (_, { s, b }) =>
      !(b && bareOf(s, b)) ? no("films", "No films lie bare.") : s.bench.films?.covered ? no("films", "They are covered.") : null,
    apply: (s, _, { e }) => {
      s.bench.films = { clock: s.bench.films?.clock ?? placeOf(e), covered: true };
    },
  },
  "bench.filmsUncovered": {
    name: "the sheet over bare films taken off",
    on: "desk",
    may: (_, { s }) => (s.bench.films?.covered ? null : no("films", "Nothing lies over them.")),
    apply: (s) => {
      if (s.bench.films) s.bench.films.covered = false;
    },
  },
  "bench.heatOn": {
    name: "heat switched on",
    on: "machine",
    may: (p, v) => mayHeat(v, p),
    // An entry less says "no heat" of a gun that may be blowing.
    staysWhile: (s) =>
      s.heat.on ? "Taking the entry back switches nothing off. See it off and say so (H): then nothing heats." : null,
    apply: (s, p, { e }) => {
      const on = { ...p, clock: placeOf(e) };
      s.heat = {
        ...s.heat,
        on,
        offClock: null,
        passes: s.heat.passes + 1,
        told: [...s.heat.told, { ...on, offClock: null }].slice(-HEAT_KEPT),
      };
    },
  },
  "bench.heatOff": {
    name: "heat seen off",
    on: "power",
    throughStop: true,
    apply: (s, _, { e }) => {
      s.heat.on = null;
      s.heat.offClock = placeOf(e);
      for (const t of s.heat.told) t.offClock ??= placeOf(e);
    },
  },
  "bench.heatRead": {
    name: "a temperature read",
    on: "desk",
    may: (_, { s }) => (s.heat.passes > 0 ? null : no("heat", "Nothing was warmed: there is nothing to compare it with.")),
    apply: (s, p, { e }) => {
      s.heat.reads = [...s.heat.reads, { clock: placeOf(e), ...p }].slice(-HEAT_KEPT);
    },
  },
  "bench.heatStiff": {
    name: "a strip that got stiff",
    on: "desk",
    may: (p, { s, b }) =>
      !b?.tape.has(p.tape)
        ? notHere("tape", p.tape)
        : s.heat.passes > 0
          ? null
          : no("heat", "Nothing was warmed: there is nothing to compare it with."),
    apply: (s, p, { e }) => {
      s.heat.reads = [...s.heat.reads, { clock: placeOf(e), stiff: p.tape }].slice(-HEAT_KEPT);
    },
  },
  "bench.batteryOff": {
    name: "battery-off mode",
    on: "power",
    may: (_, { s, b }) => {
      if (b?.build.isolation.by !== "batteryOffMode")
        return no("bench", "This build has no battery-off mode that is enough: open its power points.");
      if (s.bench.mains !== "out") return no("bench", "Take the mains out first: it wakes the battery.");
      return s.bench.shutDown ? null : no("bench", "Shut down first.");
    },
    apply: (s, _, { e }) => {
      s.bench.batteryOff = true;
      s.bench.since = placeOf(e);
    },
  },
  "bench.drained": {
    name: "the power key held",
    on: "power",
    may: (p, v) => {
      const rest = powerOf(v).missing.filter((m) => !m.startsWith("hold the power key"));
      if (rest.length) return no("bench", `Hold the power key after the rest: ${listed(rest)}.`);
      const least = v.b?.build.isolation.drainS[0] ?? 5;
      return p.seconds >= least ? null : no("bench", `Hold it ${least} s at least.`);
    },
    apply: (s, p, { e, b }) => {
      const long = p.seconds >= (b?.build.isolation.drainS[0] ?? 5);
      if (!s.bench.shutDown || s.bench.mains !== "out" || !packCut(s, b) || !long) return;
      s.bench.drained = true;
      s.bench.since = placeOf(e);
    },
  },
  "bench.holdTold": {
    name: "room and mass for the tape",
    on: "desk",
    apply: (s, p) => {
      s.bondTold = { ...s.bondTold, ...p };
    },
  },
  "bench.solventUsed": {
    name: "solvent used",
    on: "power",
    may: (_, v) => {
      if (v.s.heat.on) return no("solvent", "No solvent beside heat: see it switched off first (H), and let it cool.");
      return powerOf(v).live ? no("solvent", "No solvent on a live machine: shut down, mains out first.") : null;
    },
    apply: (s, p, { e }) => {
      s.bench.solvent = { clock: placeOf(e), dryMin: p.dryMin };
    },
  },
  "bench.solventDry": {
    name: "solvent dry",
    on: "power",
    may: (_, { s, e }) => {
      const { solvent } = s.bench;
      if (!solvent) return no("solvent", "No solvent is recorded.");
      const leftMin = solvent.dryMin - (msOf(placeOf(e)) - msOf(solvent.clock)) / 60_000;
      return leftMin > 0 ? no("solvent", `It dries for ${solvent.dryMin} min: ${durationWords(leftMin)} left.`) : null;
    },
    apply: (s) => {
      s.bench.solvent = null;
    },
  },
  "bench.lampGuarded": {
    name: "an inverter insulated for an open test",
    on: "power",
    may: (_, { s, b }) => {
      if (!b || !lampLit(b.build)) return no("lamp", "This machine has no lamp.");
      if (!standsOpen(s, b)) return no("lamp", "It is closed: it is tried as it is.");
      return s.bench.lampGuard ? no("lamp", `That is recorded: ${s.bench.lampGuard}.`) : null;
    },
    apply: (s, p) => {
      s.bench.lampGuard = p.by;
    },
  },
  "bench.lampWaited": {
    name: "the inverter left alone",
    on: "power",
    may: (p, v) => {
      if (!v.b || !lampLit(v.b.build)) return no("lamp", "This machine has no lamp.");
      const fed = powerOf(v).missing.filter((m) => !/^leave the inverter|^hold the power key/.test(m));
      if (fed.length) return no("lamp", `It is waited once power is off. Still to do: ${listed(fed)}.`);
      return p.seconds >= LAMP_WAIT_S ? null : no("lamp", `Leave it alone for ${LAMP_WAIT_S} s at least.`);
    },
    apply: (s, p) => {
      if (p.seconds < LAMP_WAIT_S || s.bench.running || s.bench.mains !== "out") return;
      s.bench.openLive = false;
      s.bench.lampGuard = null;
    },
  },
  "bench.started": {
    name: "a start",
    on: "power",
    powers: true,
    // Seen to start although nothing should feed it: that is taken down, and ends isolation.
    may: (_, v) => mayFeed(v),
    apply: (s, _, { e }) => {
      wake(s);
      s.bench.batteryOff = false;
      endIsolation(s, placeOf(e));
    },
  },
} satisfies RulesOf<typeof benchPayloads>;
