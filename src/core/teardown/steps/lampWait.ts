import { LAMP_WAIT_S } from "../../build";
import type { StepRule } from "../step";
import { offAt, offDone, offStation } from "./power";

declare module "./kinds" {
  interface StepKinds {
    lampWait: true;
  }
}

/** After an open lamp circuit ran: the inverter is left alone before a hand goes in. */
export const lampWait = {
  station: offStation,
  make: () => ({
    title: `Leave the inverter alone for ${LAMP_WAIT_S} s`,
    how: "Power is off; what it holds still drains away. The maker's word on how long comes first.",
    minutes: LAMP_WAIT_S / 60,
    caution: "It holds its voltage after the light is out.",
  }),
  done: (v, target) => offDone(v, target, !v.s.bench.openLive),
  next: () => ({ type: "bench.lampWaited", payload: { seconds: LAMP_WAIT_S } }),
  events: { "bench.lampWaited": (_, at) => offAt(at) },
  press: "Press when it was left alone",
} satisfies StepRule;
