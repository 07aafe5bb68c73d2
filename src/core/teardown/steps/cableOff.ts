import { CONNECTOR_MOTION } from "../../build";
import type { StepRule } from "../step";
import { packCaution } from "./power";

declare module "./kinds" {
  interface StepKinds {
    cableOff: true;
  }
}

export const cableOff = {
  station: ({ b }, id) => (b.connector.get(id)!.joins[0] === b.subject.id ? "swap" : "open"),
  make: ({ b }, id) => {
    const c = b.connector.get(id)!;
    return {
      title: `Take off ${c.name.toLowerCase()}`,
      how: `${c.tapedOver ? "Tape off first. " : ""}${CONNECTOR_MOTION[c.kind].out}.${c.mark ? ` ${c.mark}.` : ""}`,
      minutes: c.minutes,
      backMinutes: c.minutes,
      view: c.view,
      ...(c.powerPoint && c.kind !== "bayPack" ? { tools: ["Insulating tape"] } : {}),
      ...(c.powerPoint ? { caution: packCaution(c.kind) } : {}),
      ...(c.kind === "lampLead"
        ? { caution: "Over a thousand volts when it is lit. Isolated first; a lamp holds mercury: do not bend or knock it." }
        : {}),
    };
  },
  done: (v, id) => v.s.touched[id] !== undefined,
  next: (_, connector) => ({ type: "swap.cableDisconnected", payload: { connector } }),
  events: { "swap.cableDisconnected": (p) => p.connector },
  press: "Press when it is off",
} satisfies StepRule;
