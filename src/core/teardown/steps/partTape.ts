import { listed } from "../../quantity";
import { piecesOf } from "../../tape";
import type { StepRule } from "../step";
import { tapeUse } from "./tape";

declare module "./kinds" {
  interface StepKinds {
    partTape: true;
  }
}

/** A part that was stuck on is stuck on again. */
export const partTape = {
  station: "close",
  make: ({ b }, id) => {
    const t = b.tape.get(id)!;
    const pieces = piecesOf(t);
    const part = b.part.get(t.holds)!.name.toLowerCase();
    return {
      title: `Tape for the ${part}: ${t.edge} edge`,
      how: `${listed(pieces.map((c) => `${c.widthMm} × ${c.lengthMm} mm`))}, ${t.thicknessMm} mm thick. The old one off first, liner on until the ${part} lies. What grips still and is clean may stay: say so.`,
      minutes: 1.2,
      tools: ["Scissors"],
      uses: pieces.map(tapeUse),
      because: `Its old tape came off: nothing else sticks the ${part} there.`,
    };
  },
  done: (v, id) => !!v.s.close.taped[id] || v.s.parts[v.b.tape.get(id)!.holds] === "back",
  next: (_, tape) => ({ type: "close.partTaped", payload: { tape, with: "new" } }),
  events: { "close.partTaped": (p) => p.tape },
  press: "Press when it lies",
} satisfies StepRule;
