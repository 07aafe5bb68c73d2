import type { StepRule } from "../step";
import { pieceOf, tapeUse } from "./tape";

declare module "./kinds" {
  interface StepKinds {
    tapeLay: true;
  }
}

export const tapeLay = {
  station: "bond",
  make: (p, id) => {
    const c = pieceOf(p, id);
    return {
      title: `Lay tape T${c.number}: ${c.edge} edge, ${c.widthMm} × ${c.lengthMm} mm`,
      how: `${c.thicknessMm} mm thick, liner up.${c.tailMm ? ` Leave a ${c.tailMm} mm tail for the next repair.` : ""} Clean the shell first; little solvent, no flame.`,
      minutes: 1.2,
      tools: ["Scissors"],
      uses: [tapeUse(c)],
    };
  },
  done: (v, id) => !!v.s.bond.laid[id],
  next: (_, piece) => ({ type: "bond.tapeLaid", payload: { piece } }),
  events: { "bond.tapeLaid": (p) => p.piece },
  press: "Press when it lies",
} satisfies StepRule;
