import type { ScrewCount, StepRule } from "../step";
import { allIn, groupOf, nextOfGroup } from "./screws";
import { unscrewText } from "./unscrew";

declare module "./kinds" {
  interface StepKinds {
    screwsLoosen: true;
  }
}

const count: ScrewCount = {
  toGo: (st) => st === undefined,
  done: "loose",
  one: (screw) => ({ type: "open.screwLoosened", payload: { screw } }),
};

export const screwsLoosen = {
  station: "open",
  make: ({ b }, group) =>
    unscrewText(b, group, "Loosen", " A turn or two only: they stay in, and are tightened again on the way back."),
  done: (v, group) => allIn(v, group, (st) => st !== undefined),
  next: (v, group) => nextOfGroup(v, group, count),
  events: { "open.screwLoosened": (p, at) => groupOf(p.screw, at) },
  press: "Press when loose",
  screws: count,
} satisfies StepRule;
