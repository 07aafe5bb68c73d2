import type { StepRule } from "../step";

declare module "./kinds" {
  interface StepKinds {
    press: true;
  }
}

export const press = {
  station: "bond",
  make: () => ({
    title: "Press along every strip, 10 s each",
    how: "Thumb on the frame, never on the glass. No heat: new tape needs clean, pressure, time.",
    minutes: 1,
  }),
  done: (v) => v.s.bond.pressed,
  next: () => ({ type: "bond.pressed", payload: {} }),
  events: { "bond.pressed": () => "" },
  press: "Press when all are pressed",
} satisfies StepRule;
