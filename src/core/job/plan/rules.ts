import { lampLit } from "../../build";
import { cutList } from "../../tape";
import { no } from "../answer";
import { buildOf } from "../derived";
import { powerOf } from "../power";
import { mayPlanAnew } from "../replan";
import type { RulesOf } from "../rule";
import { mayAim, openAnew } from "./aim";
import type { planPayloads } from "./payloads";

export const planRules = {
  "plan.made": {
    name: "the plan",
    on: "desk",
    // Version 1 called every subject a panel.
    lift: [(p) => ({ ...p, goal: p.goal === "panelOut" ? "subjectOut" : p.goal })],
    relies: { buildHash: "build", checksHash: "checks" },
    may: (_, { s }) => (s.plan ? no("plan", "There is a plan already. Change it with a new build.") : null),
    apply: (s, p) => {
      s.plan = p;
    },
  },
  "plan.rebuilt": {
    name: "a changed build",
    on: "desk",
    relies: { buildHash: "build" },
    may: (p, v) => (v.s.plan ? mayPlanAnew(v, p.buildHash) : no("plan", "There is no plan yet.")),
    apply: (s, p) => {
      if (s.plan) s.plan = { ...s.plan, buildHash: p.buildHash };
    },
  },
  "plan.aimed": {
    name: "what the hands are after",
    on: "desk",
    may: (p, v) => mayAim(v.s, buildOf(v), p.aim),
    apply: (s, p, { b }) => {
      // Given up half closed: what is home by now comes out again like everything else.
      if (p.aim === "swap" && s.plan?.aim === "close" && s.subject === "in" && b) openAnew(s, b);
      if (s.plan) s.plan = { ...s.plan, aim: p.aim, why: p.why };
    },
  },
  "plan.tapeChosen": {
    name: "which tape it is stuck with",
    on: "desk",
    may: (p, v) => {
      const b = buildOf(v);
      if (!v.s.plan || !b) return no("plan", "There is no plan yet.");
      const pieces = cutList(b.build).filter((x) => x.widthMm === p.widthMm);
      if (pieces.length === 0 || b.build.subject.bringsTape) return no("tape", `No strip ${p.widthMm} mm wide is cut here.`);
      const laid = pieces.filter((x) => v.s.bond.laid[x.id]);
      return laid.length
        ? no("tape", "A strip of it is laid already: take that off first, all of it is of one thickness.")
        : null;
    },
    apply: (s, p) => {
      s.tape[String(p.widthMm)] = p;
    },
  },
  "plan.warmingChosen": {
    name: "how a strip is warmed",
    on: "desk",
    may: (p, v) => {
      const t = buildOf(v)?.tape.get(p.tape);
      if (!v.s.plan || !t) return no("plan", v.s.plan ? `This build has no tape "${p.tape}".` : "There is no plan yet.");
      if (p.with !== "none" && p.minutes === undefined) return no("plan", "Say how long it takes: passes, rests and picking.");
      if (p.over && p.over.broken > p.over.draws) return no("plan", "More lids got too hot than were tried.");
      return v.s.tapesOut[p.tape] ? no("tape", "That strip is out already.") : null;
    },
    apply: (s, { tape, ...how }) => {
      if (s.plan) s.plan = { ...s.plan, warming: { ...s.plan.warming, [tape]: how } };
    },
  },
  "plan.supplyChosen": {
    name: "another supply for the tests",
    on: "desk",
    may: (p, v) => {
      const b = buildOf(v);
      if (!v.s.plan || !b) return no("plan", "There is no plan yet.");
      if (b.build.isolation.testSupply === p.supply) return no("plan", "That is the supply already.");
      // A pack that is on, or a mains that is in, would be left behind by a plan that knows nothing of it.
      return v.s.subject === "in" || powerOf(v).isolated
        ? null
        : no("plan", "Isolate the machine first: the steps that take this supply off again would be gone.");
    },
    apply: (s, p) => {
      if (s.plan) s.plan = { ...s.plan, supply: p.supply };
    },
  },
  "plan.lampTestChosen": {
    name: "how a lamp is tried",
    on: "desk",
    may: (p, v) => {
      const b = buildOf(v);
      if (!v.s.plan || !b) return no("plan", "There is no plan yet.");
      if (!lampLit(b.build)) return no("plan", "This machine has no lamp.");
      if (p.test === "open" && !p.by) return no("plan", "Tried open: name the trained person who does it.");
      if (p.test === (b.build.lampTest ?? "afterBezel") && (p.test === "afterBezel" || p.by === v.s.plan.lamp?.by))
        return no("plan", "That is so already.");
      return v.s.subject === "in" || powerOf(v).isolated
        ? null
        : no("plan", "Isolate the machine first: the steps that take power off again would be gone.");
    },
    apply: (s, p) => {
      if (s.plan) s.plan = { ...s.plan, lamp: { test: p.test, by: (p.test === "open" && p.by) || "" } };
    },
  },
} satisfies RulesOf<typeof planPayloads>;
