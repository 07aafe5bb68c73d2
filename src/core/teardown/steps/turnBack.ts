import type { StepRule } from "../step";
import { turnText } from "./turnLid";

declare module "./kinds" {
  interface StepKinds {
    turnBack: true;
  }
}

export const turnBack = {
  station: "close",
  make: ({ b }, id) => turnText(b, id, true),
  done: (v, id) => v.s.turned[id] === "back",
  next: (_, turn) => ({ type: "close.lidTurnedBack", payload: { turn } }),
  events: { "close.lidTurnedBack": (p) => p.turn },
  press: "Press when it is back",
} satisfies StepRule;
