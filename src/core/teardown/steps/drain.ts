import { type Act, powerOf } from "../../job";
import type { StepRule } from "../step";
import { fedWords, offAt, offDone, offStation, stillFed } from "./power";

declare module "./kinds" {
  interface StepKinds {
    drain: true;
  }
}

export const drain = {
  station: offStation,
  atBase: true,
  make: ({ b: { build } }, target) => ({
    title: `Hold the power key ${[...new Set(build.isolation.drainS)].join(" to ")} s`,
    ...(target === ""
      ? {
          how:
            build.isolation.by === "powerPoints"
              ? build.isolation.how
              : "It drains what the board still holds. From here the machine is isolated.",
          minutes: 0.3,
        }
      : { how: "Isolated again.", minutes: 0.2 }),
  }),
  done: (v, target) => offDone(v, target, powerOf(v).isolated, true),
  next: (v): Act => {
    // Whatever feeds it that no step knows of comes off first.
    const fed = stillFed(v.s.bench);
    if (fed) return fed;
    const { connectors } = v.s;
    const on = v.b.build.isolation.by === "powerPoints" && v.b.powerPoints.find((c) => connectors[c.id] === "on");
    if (on) return { type: "swap.cableDisconnected", payload: { connector: on.id } };
    return { type: "bench.drained", payload: { seconds: v.b.build.isolation.drainS[0] } };
  },
  events: { "bench.drained": (_, at) => offAt(at) },
  press: (s) => fedWords(s.bench) ?? "Press when it was held",
} satisfies StepRule;
