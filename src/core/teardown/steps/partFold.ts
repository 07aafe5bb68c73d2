import { motionText, type StepRule } from "../step";

declare module "./kinds" {
  interface StepKinds {
    partFold: true;
  }
}

export const partFold = {
  station: "open",
  make: ({ b }, id) => {
    const p = b.part.get(id)!;
    return { title: p.fold!.verb, view: p.view, ...motionText(p.fold!) };
  },
  done: (v, id) => v.s.parts[id] === "folded" || v.s.parts[id] === "out" || v.s.subject !== "in",
  next: (_, part) => ({ type: "open.partFolded", payload: { part } }),
  events: { "open.partFolded": (p) => p.part },
  press: "Press when it lies folded",
} satisfies StepRule;
