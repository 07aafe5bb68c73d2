import { motionText, type StepRule } from "../step";

declare module "./kinds" {
  interface StepKinds {
    partBack: true;
  }
}

export const partBack = {
  station: "close",
  make: ({ b }, id) => {
    const p = b.part.get(id)!;
    const plain = p.fate === "replaced" ? `Put on the new ${p.name.toLowerCase()}` : `Put back ${p.name.toLowerCase()}`;
    return { title: p.back?.verb ?? plain, ...motionText(p.back ?? p.out!) };
  },
  done: (v, id) => v.s.parts[id] === "back",
  next: (_, part) => ({ type: "close.partBack", payload: { part } }),
  events: { "close.partBack": (p) => p.part },
  press: "Press when it is on",
} satisfies StepRule;
