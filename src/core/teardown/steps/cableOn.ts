import { behind, CONNECTOR_MOTION } from "../../build";
import type { StepRule } from "../step";

declare module "./kinds" {
  interface StepKinds {
    cableOn: true;
  }
}

export const cableOn = {
  station: ({ b }, id) => {
    const c = b.connector.get(id)!;
    return c.joins[0] === b.subject.id || !c.reachableWhenSeated ? "swap" : "close";
  },
  make: ({ b }, id) => {
    const c = b.connector.get(id)!;
    const own = c.joins[0] === b.subject.id;
    const carries = c.serves === "picture" || c.serves === "power" || !c.reachableWhenSeated;
    const beside = carries && !own && b.part.get(c.joins[0])?.out && behind(b, c.joins[0]) === null;
    const { in: motion, homeWhen } = CONNECTOR_MOTION[c.kind];
    return {
      title: `Put on ${c.name.toLowerCase()}`,
      how: `${motion}.${beside ? " Its part lies beside meanwhile." : ""}${own && c.tapedOver ? " New tape over it." : ""} Home when: ${homeWhen.toLowerCase()}${c.serves === "battery" ? ", and the battery is seen after start" : ""}.${c.mark ? ` ${c.mark}.` : ""}`,
      // With the new panel lying loose beside it, a plug takes longer than it took to come off.
      minutes: own ? c.minutes * 1.5 : c.minutes,
      ...(c.kind === "lampLead"
        ? { caution: "Over a thousand volts as soon as it is fed: lit, nobody touches lead or inverter." }
        : {}),
    };
  },
  done: (v, id) => v.s.connectors[id] === "on" && (v.b.connector.get(id)!.joins[0] !== v.b.subject.id || v.s.subject !== "in"),
  next: (_, connector) => ({ type: "swap.cableConnected", payload: { connector, home: true } }),
  events: { "swap.cableConnected": (p) => p.connector },
  press: "Press when home",
} satisfies StepRule;
