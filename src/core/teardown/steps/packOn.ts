import { passStatus } from "../../job";
import type { StepRule } from "../step";
import { onAt, pointsOf, testDone } from "./power";

declare module "./kinds" {
  interface StepKinds {
    packOn: true;
  }
}

/** The pack goes on for one start only: its power points, one after the other, each opened again before a hand goes in. */
export const packOn = {
  station: (_, target) => (target === "test" ? "swap" : "prove"),
  make: (p, target) => {
    const points = pointsOf(p.b);
    return {
      title: `${points.words} on, for ${target === "test" ? "the loose test" : "the open pass"} only`,
      how: `${points.how.in} Mains out meanwhile. From here the bench is live.`,
      minutes: points.minutes,
      caution: "Carries pack voltage. Nothing else is connected or taken off until it is open again.",
      because: "This machine is tested on its battery.",
    };
  },
  done: (v, target) =>
    v.b.powerPoints.every((c) => v.s.connectors[c.id] !== "off") ||
    (target === "test" ? testDone(v) : passStatus(v, "open").complete),
  next: (v) => {
    const c = v.b.powerPoints.find((x) => v.s.connectors[x.id] === "off");
    return c ? { type: "swap.cableConnected", payload: { connector: c.id, home: true } } : null;
  },
  events: {
    "swap.cableConnected": (p, at) => {
      const tag = onAt(at);
      return at.b.connector.get(p.connector)?.powerPoint && pointsOf(at.b).feed && tag !== "closed" ? tag : null;
    },
  },
  press: "Press when home",
} satisfies StepRule;
