import { passStatus, standsOpen } from "../../job";
import type { StepRule } from "../step";
import { onAt, testDone } from "./power";

declare module "./kinds" {
  interface StepKinds {
    lampGuard: true;
  }
}

/** What stands at every step at which an open lamp circuit is fed. */
export const LAMP_OPEN =
  "Open lamp circuit: over a thousand volts. Only the trained person named, inverter insulated, hands off.";

/** Before an open lamp circuit is fed: insulated, hands off, by a person who is trained and named. */
export const lampGuard = {
  station: (_, target) => (target === "test" ? "swap" : "prove"),
  make: () => ({
    title: "Insulate the inverter, hands off",
    how: "Its sheet back over it or a new one, nothing metal near, one hand in the pocket. Then it may be fed.",
    minutes: 1,
    because: "A lamp is tried open by a trained person only; nobody else feeds it before it is closed.",
    caution: LAMP_OPEN,
  }),
  done: (v, target) => {
    // Nothing that lay over it is off: it is closed as it is.
    const guarded = v.s.bench.lampGuard !== null || !standsOpen(v.s, v.b);
    return (guarded && onAt(v) === target) || (target === "test" ? testDone(v) : passStatus(v, "open").complete);
  },
  next: (v) => {
    const by = v.s.plan?.lamp?.by;
    return by ? { type: "bench.lampGuarded", payload: { by } } : null;
  },
  events: { "bench.lampGuarded": (_, at) => onAt(at) },
  press: "Press when it is insulated",
} satisfies StepRule;
