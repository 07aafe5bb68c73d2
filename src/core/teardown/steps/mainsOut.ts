import type { StepRule } from "../step";
import { offAt, offAtHome, offDone, offStation } from "./power";

declare module "./kinds" {
  interface StepKinds {
    mainsOut: true;
  }
}

export const mainsOut = {
  station: offStation,
  atBase: true,
  make: (_, target) =>
    target === ""
      ? { title: "Take the mains lead out", how: "And everything else plugged in: cards, sticks, dock.", minutes: 0.3 }
      : { title: "Mains lead out again", how: "The bench is live until it is.", minutes: 0.2 },
  done: (v, target) => {
    const off = v.s.bench.mains === "out" && v.s.bench.shutDown;
    return target === "home" ? offAtHome(v, off) : offDone(v, target, off);
  },
  next: () => ({ type: "bench.mainsOut", payload: {} }),
  events: { "bench.mainsOut": (_, at) => offAt(at) },
  press: "Press when it is out",
} satisfies StepRule;
