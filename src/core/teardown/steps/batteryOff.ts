import type { StepRule } from "../step";
import { offAt, offDone, offStation } from "./power";

declare module "./kinds" {
  interface StepKinds {
    batteryOff: true;
  }
}

export const batteryOff = {
  station: offStation,
  make: ({ b }, target) => ({
    title: target === "" ? "Enter battery-off mode and prove it" : "Battery-off mode again, proven",
    how: `${b.build.isolation.how} Proof: ${b.build.isolation.proof}`,
    minutes: target === "" ? 1.5 : 1,
  }),
  done: (v, target) => offDone(v, target, v.s.bench.batteryOff && v.s.bench.mains === "out", true),
  next: () => ({ type: "bench.batteryOff", payload: { proven: true } }),
  events: { "bench.batteryOff": (_, at) => offAt(at) },
  press: "Press when it is proven",
} satisfies StepRule;
