import { triedWhole } from "../../build";
import { passStatus, seated } from "../../job";
import type { StepRule } from "../step";
import { waitsForBattery } from "./batterySeen";
import { onAt, testDone } from "./power";

declare module "./kinds" {
  interface StepKinds {
    mainsIn: true;
  }
}

export const mainsIn = {
  station: (_, target) => (target === "test" ? "swap" : target === "home" ? "close" : "prove"),
  make: ({ b: { build } }, target) => {
    if (target === "test")
      return {
        title: "Mains in for the loose test",
        how:
          build.isolation.testSupply === "mains"
            ? "Mains only: the battery stays off. From here the bench is live."
            : "Mains wakes the battery. From here the bench is live.",
        minutes: 0.3,
      };
    if (target === "prove" && triedWhole(build))
      return {
        title: "Mains in: it is tried whole",
        how: "Everything is back and its lamp circuit closed. Start it. The bench is live.",
        minutes: 0.5,
      };
    if (target === "home")
      return {
        title: "Mains in: the battery is looked at",
        how: "Its cover is still off: hands out of the machine. Start it. The bench is live.",
        minutes: 0.5,
      };
    if (target === "prove") return { title: "Mains in for the open pass", how: "Start it. The bench is live.", minutes: 0.5 };
    return {
      title: "Mains in for the closed pass",
      how:
        build.isolation.by === "powerPoints"
          ? "Mains first: it may not start on battery alone after the plug was off."
          : "Start it.",
      minutes: 0.5,
    };
  },
  done: (v, target) =>
    v.s.bench.mains === "in" ||
    (target === "home"
      ? seated(v.s) && !waitsForBattery(v)
      : target === "test"
        ? testDone(v)
        : passStatus(v, target === "closed" ? "closed" : "open").complete),
  next: (v) => (v.s.bench.mains === "in" ? { type: "bench.started", payload: {} } : { type: "bench.mainsIn", payload: {} }),
  events: { "bench.mainsIn": (_, at) => onAt(at), "bench.started": (_, at) => onAt(at) },
  press: (s) => (s.bench.mains === "in" ? "Press when it runs" : "Press when it is in"),
} satisfies StepRule;
