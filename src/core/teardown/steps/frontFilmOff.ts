import type { StepRule } from "../step";

declare module "./kinds" {
  interface StepKinds {
    frontFilmOff: true;
  }
}

export const frontFilmOff = {
  station: "close",
  make: () => ({
    title: "Front film off",
    how: "By its tab, slowly, just before the bezel.",
    minutes: 0.4,
    because: "It guards the glass until the bezel goes on.",
  }),
  done: (v) => v.s.bond.frontFilmOff,
  next: () => ({ type: "bond.filmOff", payload: { film: "front" } }),
  events: { "bond.filmOff": (p) => (p.film === "front" ? "" : null) },
  press: "Press when it is off",
} satisfies StepRule;
