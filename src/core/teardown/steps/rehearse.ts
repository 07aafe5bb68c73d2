import type { StepRule } from "../step";

declare module "./kinds" {
  interface StepKinds {
    rehearse: true;
  }
}

export const rehearse = {
  station: "bond",
  make: () => ({
    title: "Rehearse the lowering, liners on",
    how: "Lower, look at all four gaps, lift. Once is enough.",
    minutes: 1,
    because: "One shot once the liners are off.",
  }),
  done: (v) => v.s.bond.rehearsed,
  next: () => ({ type: "bond.rehearsed", payload: {} }),
  events: { "bond.rehearsed": () => "" },
  press: "Press when all four gaps were even",
} satisfies StepRule;
