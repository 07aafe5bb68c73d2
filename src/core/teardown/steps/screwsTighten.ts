import type { ScrewCount, StepRule } from "../step";
import { allIn, backStation, groupOf, nextOfGroup } from "./screws";
import { screwText } from "./unscrew";

declare module "./kinds" {
  interface StepKinds {
    screwsTighten: true;
  }
}

const count: ScrewCount = {
  toGo: (st) => st === "loosened",
  done: "tight",
  one: (screw) => ({ type: "close.screwTightened", payload: { screw } }),
};

export const screwsTighten = {
  station: backStation,
  make: ({ b }, group) => ({
    ...screwText(b, group, "Tighten", "They were only loosened: tighten them now."),
    because: "Only loosened on the way out, so no removal step mirrors it. Forgotten ones break hinges months later.",
  }),
  done: (v, group) => allIn(v, group, (st) => st === "tightened"),
  next: (v, group) => nextOfGroup(v, group, count),
  events: { "close.screwTightened": (p, at) => groupOf(p.screw, at) },
  press: "Press when tight",
  screws: count,
} satisfies StepRule;
