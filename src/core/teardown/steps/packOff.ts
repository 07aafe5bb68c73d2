import type { Act } from "../../job";
import type { StepRule } from "../step";
import { fedWords, offAt, offDone, offStation, packCaution, pointsOf, stillFed } from "./power";

declare module "./kinds" {
  interface StepKinds {
    packOff: true;
  }
}

/** The power points opened again after a start on the battery. */
export const packOff = {
  station: offStation,
  make: (p) => {
    const points = pointsOf(p.b);
    return {
      title: `${points.words} off again`,
      how: points.how.out,
      minutes: points.minutes,
      caution: packCaution(p.b.powerPoints[0]?.kind ?? ""),
    };
  },
  done: (v, target) =>
    offDone(
      v,
      target,
      v.b.powerPoints.every((c) => v.s.connectors[c.id] === "off"),
    ),
  next: (v): Act | null => {
    const fed = stillFed(v.s.bench);
    if (fed) return fed;
    const c = v.b.powerPoints.find((x) => v.s.connectors[x.id] !== "off");
    return c ? { type: "swap.cableDisconnected", payload: { connector: c.id } } : null;
  },
  events: {
    "swap.cableDisconnected": (p, at) => {
      const tag = offAt(at);
      return tag !== "" && at.b.connector.get(p.connector)?.powerPoint && pointsOf(at.b).feed ? tag : null;
    },
  },
  press: (s) => fedWords(s.bench) ?? "Press when it is off",
} satisfies StepRule;
