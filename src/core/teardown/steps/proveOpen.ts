import { passStatus } from "../../job";
import type { StepRule } from "../step";
import { nextCheck } from "./pass";

declare module "./kinds" {
  interface StepKinds {
    proveOpen: true;
  }
}

export const proveOpen = {
  station: "prove",
  make: () => ({
    title: "Prove it open: picture, light, touch",
    how: "Every check of the open pass, faults tapped.",
    minutes: 6,
    because: "Before bezel or base cover: a fault now costs minutes, later an hour.",
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
