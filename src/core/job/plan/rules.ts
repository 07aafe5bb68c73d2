import { no } from "../answer";
import { mayPlanAnew } from "../replan";
import type { RulesOf } from "../rule";
import type { planPayloads } from "./payloads";

export const planRules = {
  "plan.made": {
    name: "the plan",
    on: "desk",
    // Version 1 called every subject a panel.
    lift: [(p) => ({ ...p, goal: p.goal === "panelOut" ? "subjectOut" : p.goal })],
    relies: { buildHash: "build" },
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
} satisfies RulesOf<typeof planPayloads>;
