import type { ScrewCount, StepRule } from "../step";
import { allIn, backStation, groupOf, nextOfGroup } from "./screws";
import { screwText } from "./unscrew";

declare module "./kinds" {
  interface StepKinds {
    screwsBack: true;
  }
}

const HOME: ReadonlySet<string> = new Set(["back", "staysOut", "replaced", "missing"]);
const count: ScrewCount = {
  toGo: (st) => st === "out",
  done: "back",
  one: (screw) => ({ type: "close.screwBack", payload: { screw } }),
  several: (group, screws) => ({ type: "close.screwsBackTogether", payload: { group, screws } }),
};

export const screwsBack = {
  station: backStation,
  make: ({ b }, group) =>
    screwText(b, group, "Put back", "Each into its own hole: finger-tight in order, then tightened in the same order."),
  done: (v, group) => allIn(v, group, (st) => HOME.has(st ?? "")),
  next: (v, group) => nextOfGroup(v, group, count),
  events: {
    "close.screwBack": (p, at) => groupOf(p.screw, at),
    "close.screwsBackTogether": (p) => p.group,
    "close.screwAccounted": (p, at) => groupOf(p.screw, at),
  },
  press: "Press when back",
  screws: count,
} satisfies StepRule;
