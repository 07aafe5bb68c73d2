import { lampLit, triedWhole } from "../../build";
import { passStatus } from "../../job";
import type { StepRule } from "../step";
import { LAMP_OPEN } from "./lampGuard";
import { nextCheck } from "./pass";

declare module "./kinds" {
  interface StepKinds {
    proveOpen: true;
  }
}

export const proveOpen = {
  station: "prove",
  make: ({ b: { build } }) => ({
    title: triedWhole(build) ? "Prove it: picture, light, touch" : "Prove it open: picture, light, touch",
    how: "Every check of the open pass, faults tapped.",
    minutes: 6,
    because: triedWhole(build)
      ? "Its lamp circuit carries over a thousand volts: it is tried closed, and comes apart again if it fails."
      : "Before bezel or base cover: a fault now costs minutes, later an hour.",
    ...(lampLit(build) && !triedWhole(build) ? { caution: LAMP_OPEN } : {}),
  }),
  done: (v) => passStatus(v, "open").complete,
  next: (v) => nextCheck(v, "open"),
  events: {
    "prove.checkDone": (p) => (p.pass === "open" ? "" : null),
    "prove.faultTapped": () => "",
    "prove.faultsAccepted": () => "",
  },
  press: "Press when it holds",
  asks: true,
} satisfies StepRule;
