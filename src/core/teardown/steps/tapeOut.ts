import { motionText, type StepRule } from "../step";

declare module "./kinds" {
  interface StepKinds {
    tapeOut: true;
  }
}

export const tapeOut = {
  station: "open",
  make: ({ b }, id) => {
    const { out, heat } = b.tape.get(id)!;
    return {
      title: out.verb,
      view: "lid",
      ...motionText(out),
      ...(heat
        ? {
            caution: `${out.caution ? `${out.caution} ` : ""}Heat: lets go at ${heat.releaseC[0]} to ${heat.releaseC[1]} °C; ${heat.ceilings.map((c) => `${c.of} ${c.maxC} °C at most`).join(", ")}.`,
          }
        : {}),
    };
  },
  done: (v, id) => !!v.s.tapesOut[id] || v.s.subject !== "in",
  next: (_, tape) => ({ type: "open.tapeOut", payload: { tape } }),
  events: { "open.tapeOut": (p) => p.tape },
  press: "Press when it is out",
} satisfies StepRule;
