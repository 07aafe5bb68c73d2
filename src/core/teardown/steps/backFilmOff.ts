import type { StepRule } from "../step";

declare module "./kinds" {
  interface StepKinds {
    backFilmOff: true;
  }
}

export const backFilmOff = {
  station: "bond",
  make: () => ({
    title: "Back film off, now",
    how: "By its tab, slowly. Seat at once.",
    minutes: 0.3,
    because: "After the dust is blown off, seconds before seating.",
  }),
  done: (v) => v.s.bond.backFilmOff,
  next: () => ({ type: "bond.filmOff", payload: { film: "back" } }),
  events: { "bond.filmOff": (p) => (p.film === "back" ? "" : null) },
  press: "Press when it is off",
} satisfies StepRule;
