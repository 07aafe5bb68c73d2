import type { StepRule } from "../step";
import { pieceOf } from "./tape";

declare module "./kinds" {
  interface StepKinds {
    linerPull: true;
  }
}

export const linerPull = {
  station: "bond",
  make: (p, id) => {
    const c = pieceOf(p, id);
    return {
      title: `Pull liner T${c.number}, ${c.edge} edge`,
      how: "One at a time. From here the tape grips at once.",
      minutes: 0.4,
      tools: ["Tweezers"],
    };
  },
  done: (v, id) => !!v.s.bond.linersPulled[id],
  next: (_, piece) => ({ type: "bond.linerPulled", payload: { piece } }),
  events: { "bond.linerPulled": (p) => p.piece },
  press: "Press when the liner is off",
} satisfies StepRule;
