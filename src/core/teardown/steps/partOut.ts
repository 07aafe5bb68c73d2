import { motionText, type StepRule } from "../step";

declare module "./kinds" {
  interface StepKinds {
    partOut: true;
  }
}

export const partOut = {
  station: ({ b }, id) => (id === b.subject.id ? "swap" : "open"),
  make: ({ b }, id) => {
    const p = b.part.get(id)!;
    return {
      title: p.out!.verb,
      view: p.view,
      ...motionText(p.out!),
      ...(id === b.subject.id ? {} : { backMinutes: (p.back ?? p.out!).minutes }),
    };
  },
  // Folded over is not out: a keyboard laid on its ribbon still has to come away.
  done: (v, id) => (id === v.b.subject.id ? v.s.subject !== "in" : v.s.parts[id] !== undefined && v.s.parts[id] !== "folded"),
  next: (_, part) => ({ type: "open.partOut", payload: { part } }),
  events: { "open.partOut": (p) => p.part },
  press: "Press when it is out",
} satisfies StepRule;
