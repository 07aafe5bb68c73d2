import type { StepRule } from "../step";

declare module "./kinds" {
  interface StepKinds {
    angle: true;
  }
}

export const angle = {
  station: "close",
  make: () => ({
    title: "Check the lid angle",
    how: "It opens with one hand and stays where it is left.",
    minutes: 0.4,
  }),
  done: (v) => v.s.close.angleDeg !== null,
  next: () => null,
  events: { "close.angleChecked": () => "" },
  press: "Press to record",
  asks: true,
} satisfies StepRule;
