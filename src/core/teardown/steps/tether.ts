import { motionText, type StepRule } from "../step";

declare module "./kinds" {
  interface StepKinds {
    tether: true;
  }
}

export const tether = {
  station: "open",
  make: ({ b }, id) => {
    for (const p of b.build.parts)
      for (const o of p.either.flatMap((e) => e.options))
        if (o.id === id && o.instead) return { title: o.instead.verb, view: p.view, ...motionText(o.instead) };
    throw new Error(`no way "${id}" in build ${b.build.id}`);
  },
  done: (v, id) => !!v.s.tethered[id],
  next: (_, option) => ({ type: "open.tethered", payload: { option } }),
  events: { "open.tethered": (p) => p.option },
  press: "Press when it lies safe",
} satisfies StepRule;
