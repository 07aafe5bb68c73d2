import { passStatus } from "../../job";
import type { StepRule } from "../step";
import { nextCheck } from "./pass";

declare module "./kinds" {
  interface StepKinds {
    proveClosed: true;
  }
}

export const proveClosed = {
  station: "prove",
  make: () => ({
    title: "Prove it closed up",
    how: "What this repair disturbed, checked once more.",
    minutes: 5,
    because: "After reassembly: sleep, leads and keys can only be told closed.",
  }),
  done: (v) => passStatus(v, "open").complete && passStatus(v, "closed").complete,
  next: (v) => nextCheck(v, "closed"),
  events: { "prove.checkDone": (p) => (p.pass === "closed" ? "" : null) },
  press: "Press when it holds",
  asks: true,
} satisfies StepRule;
