import type { StepRule } from "../step";
import { offAgainWords, offAt, offAtHome, offDone, offStation } from "./power";

declare module "./kinds" {
  interface StepKinds {
    shutDown: true;
  }
}

export const shutDown = {
  station: offStation,
  atBase: true,
  make: ({ b }, target) =>
    target === ""
      ? {
          title: "Shut the machine down",
          how: "From its menu, not by holding the key. Wait until the light is out.",
          minutes: 1,
        }
      : { title: "Shut down again", how: "Wait until the light is out.", minutes: 0.7, because: offAgainWords(b, target) },
  done: (v, target) => (target === "home" ? offAtHome(v, v.s.bench.shutDown) : offDone(v, target, v.s.bench.shutDown)),
  next: () => ({ type: "bench.shutDown", payload: {} }),
  events: { "bench.shutDown": (_, at) => offAt(at) },
  press: "Press when it is off",
} satisfies StepRule;
