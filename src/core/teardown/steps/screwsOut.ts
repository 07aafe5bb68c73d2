import type { ScrewCount, StepRule } from "../step";
import { allIn, groupOf, nextOfGroup } from "./screws";
import { unscrewText } from "./unscrew";

declare module "./kinds" {
  interface StepKinds {
    screwsOut: true;
  }
}

const count: ScrewCount = {
  toGo: (st) => st === undefined,
  done: "out",
  one: (screw) => ({ type: "open.screwOut", payload: { screw } }),
  several: (group, screws) => ({ type: "open.screwsOutTogether", payload: { group, screws } }),
};

export const screwsOut = {
  station: "open",
  make: ({ b }, group) => unscrewText(b, group, "Take out"),
  done: (v, group) => allIn(v, group, (st) => st !== undefined),
  next: (v, group) => nextOfGroup(v, group, count),
  events: {
    "open.screwOut": (p, at) => groupOf(p.screw, at),
    "open.screwsOutTogether": (p) => p.group,
  },
  press: "Press when out",
  screws: count,
} satisfies StepRule;
