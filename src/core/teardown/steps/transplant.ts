import { motionText, type StepRule } from "../step";

declare module "./kinds" {
  interface StepKinds {
    transplant: true;
  }
}

export const transplant = {
  station: "swap",
  make: ({ b }, id) => {
    const m = b.part.get(id)!.transplant!;
    return { title: m.verb, ...motionText(m), because: "Moves over from the old panel before any connector is on." };
  },
  done: (v, id) => !!v.s.transplanted[id],
  next: (_, part) => ({ type: "swap.transplanted", payload: { part } }),
  events: { "swap.transplanted": (p) => p.part },
  press: "Press when it is moved",
} satisfies StepRule;
