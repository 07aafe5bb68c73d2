import { EDGES } from "../../build";
import type { StepRule } from "../step";

declare module "./kinds" {
  interface StepKinds {
    seams: true;
  }
}

export const seams = {
  station: "close",
  make: () => ({ title: "Look round all four seams", how: "Left, right, top, bottom: no step, no gap.", minutes: 0.8 }),
  done: (v) => EDGES.every((e) => v.s.close.seams[e]),
  next: (v) => {
    const edge = EDGES.find((e) => !v.s.close.seams[e]);
    return edge ? { type: "close.seamChecked", payload: { edge } } : null;
  },
  events: { "close.seamChecked": () => "" },
  press: "Press when it is even",
} satisfies StepRule;
