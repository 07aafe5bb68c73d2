import { passStatus } from "../../job";
import type { StepRule } from "../step";
import { onAt, pointsOf } from "./power";

declare module "./kinds" {
  interface StepKinds {
    start: true;
  }
}

/** A start on the battery, where no mains is put in. */
export const start = {
  station: "prove",
  make: (_, target) => ({
    title: target === "closed" ? "Start it for the closed pass" : "Start it for the open pass",
    how:
      target === "closed"
        ? "On its battery. If it stays dark, put the mains in: some start on mains first after the plug was off."
        : "On its battery. The bench is live.",
    minutes: 0.5,
  }),
  done: (v, target) => v.s.bench.running === true || passStatus(v, target === "closed" ? "closed" : "open").complete,
  next: () => ({ type: "bench.started", payload: {} }),
  events: {
    "bench.started": (_, at) => (at.b.build.isolation.testSupply === "battery" && pointsOf(at.b).feed ? onAt(at) : null),
  },
  press: "Press when it runs",
} satisfies StepRule;
