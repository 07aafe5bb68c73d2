import { looseTestMissing, seated } from "../../job";
import type { StepRule } from "../step";

declare module "./kinds" {
  interface StepKinds {
    looseTest: true;
  }
}

export const looseTest = {
  station: "swap",
  make: () => ({
    title: "Start it with the panel lying loose",
    how: "Picture whole, right way up, light even. Do not flex the panel.",
    minutes: 2,
    because: "Before anything is stuck or closed: a bad panel comes out again without harm.",
    caution: "Live. Nothing is connected or taken off until it is isolated again.",
  }),
  done: (v) => looseTestMissing(v) === null || seated(v.s),
  next: () => null,
  events: { "swap.looseTested": () => "" },
  press: "Press when you see it",
  asks: true,
} satisfies StepRule;
