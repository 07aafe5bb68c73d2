import { hangs, SUBJECT_WORDS } from "../../build";
import { listed } from "../../quantity";
import type { StepRule } from "../step";

declare module "./kinds" {
  interface StepKinds {
    oldBack: true;
  }
}

/** The old one put back where it was, because the machine is closed again without a new one. */
export const oldBack = {
  station: "swap",
  once: true,
  make: ({ b }) => {
    const what = SUBJECT_WORDS[b.build.subject.kind];
    const over = b.build.parts.filter((p) => p.transplant).map((p) => p.name.toLowerCase());
    const stuck = b.build.tapes.some((t) => t.holds === b.subject.id);
    return {
      title: `Put the old ${what} back`,
      how: `${over.length ? `First back on it, where it was moved over: ${listed(over)}. ` : ""}${hangs(b.build) ? "On its hinges, held, before a lead is on it." : "Its lower edge in first, tilted forward on soft cloth, so that its leads are reached."}${stuck ? " Its tape is spent: a few short pieces hold it until it comes out again." : ""}`,
      minutes: 3,
      ...(b.build.subject.kind === "lidAssembly"
        ? {}
        : { caution: "Cracked glass: gloves and eye protection, tape over the cracks." }),
    };
  },
  done: (v) => v.s.subject === "in" && v.s.parts[v.b.subject.id] !== "folded",
  next: (v) => ({ type: "swap.oldBack", payload: { part: v.b.subject.id } }),
  events: { "swap.oldBack": () => "" },
  press: "Press when it lies in its place",
} satisfies StepRule;
