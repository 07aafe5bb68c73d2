import { motionText, type StepRule } from "../step";

declare module "./kinds" {
  interface StepKinds {
    backAct: true;
  }
}

export const backAct = {
  station: "swap",
  make: ({ b }, id) => {
    const a = b.build.backActs!.find((x) => x.id === id)!;
    return { title: a.verb, ...motionText(a), because: a.why };
  },
  done: (v, id) => !!v.s.backActs[id],
  next: (_, act) => ({ type: "swap.backActDone", payload: { act } }),
  events: { "swap.backActDone": (p) => p.act },
  press: "Press when it is done",
} satisfies StepRule;
