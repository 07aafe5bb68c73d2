import type { StepRule } from "../step";

declare module "./kinds" {
  interface StepKinds {
    change: true;
  }
}

export const change = {
  station: ({ changes }, field) => (changes.find((c) => c.field === field)?.at === "afterProof" ? "prove" : "swap"),
  make: ({ changes }, field) => {
    const c = changes.find((x) => x.field === field)!;
    return {
      title: c.act,
      how: c.part.startsWith("none") ? "No part needed." : `Needs: ${c.part}.`,
      minutes: Math.max(0.2, c.minutes),
      because: "The new panel differs here from the old one.",
    };
  },
  done: (v, field) => !!v.s.changesMade[field],
  next: (_, field) => ({ type: "swap.changeMade", payload: { field } }),
  events: { "swap.changeMade": (p) => p.field },
  press: "Press when it is done",
} satisfies StepRule;
