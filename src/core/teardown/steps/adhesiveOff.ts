import { adhesiveLeft } from "../../build";
import { seated } from "../../job";
import type { StepRule } from "../step";

declare module "./kinds" {
  interface StepKinds {
    adhesiveOff: true;
  }
}

/** How much of a strip's ledge is cleaned in a minute, mm (adj). */
const MM_A_MINUTE = 150;

/** What a strip leaves on its ledge comes off before anything is laid there. */
export const adhesiveOff = {
  station: "bond",
  make: ({ b }, id) => {
    const t = b.tape.get(id)!;
    const longMm = Math.max(t.shape.widthMm, t.shape.heightMm);
    const glass = b.build.subject.kind === "frontUnit" || b.build.subject.kind === "cell";
    return {
      title: `Old adhesive off: ${t.edge} edge`,
      how: `${Math.round(longMm)} mm. Rolled off with the thumb, the rest with a plastic edge along the strip. Solvent only on the cloth, little, never toward films or ribbon.`,
      minutes: Math.round((0.4 + longMm / MM_A_MINUTE) * 10) / 10,
      tools: ["Plastic pick", "Lint-free cloth", "Solvent for adhesive"],
      because: glass
        ? "What is left under it makes the glass stand proud, and the next one cracks at that spot."
        : "New tape holds on a clean ledge only.",
    };
  },
  done: (v, id) => !!v.s.bond.cleaned[id] || seated(v.s),
  next: (v, tape) =>
    adhesiveLeft(v.b, v.s.tapesOut).includes(tape) ? { type: "bond.adhesiveOff", payload: { tape, method: "rolled" } } : null,
  events: { "bond.adhesiveOff": (p) => p.tape },
  press: "Press when the ledge is clean",
} satisfies StepRule;
