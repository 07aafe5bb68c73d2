import type { Tape } from "../../build";
import { motionText, type StepRule } from "../step";

type HeatNeed = NonNullable<Tape["heat"]>;

declare module "./kinds" {
  interface StepKinds {
    tapeOut: true;
  }
}

/** What lets go only where something else is harmed already is told as that, in words; nothing where there is room. */
function conflict({ releaseC: [from, to], ceilings }: HeatNeed): string {
  const low = ceilings.reduce((a, c) => (c.maxC < a.maxC ? c : a));
  if (low.maxC <= from)
    return ` These contradict: it lets go from ${from} °C, and ${low.of} takes ${low.maxC} °C. Not by heat alone: pull tab, thread or solvent, or the maker's way.`;
  return low.maxC < to ? ` Only ${from} to ${low.maxC} °C are left between them.` : "";
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
            caution: `${out.caution ? `${out.caution} ` : ""}Heat: lets go at ${heat.releaseC[0]} to ${heat.releaseC[1]} °C; ${heat.ceilings.map((c) => `${c.of} ${c.maxC} °C at most`).join(", ")}.${conflict(heat)}`,
          }
        : {}),
    };
  },
  done: (v, id) => !!v.s.tapesOut[id] || v.s.subject !== "in",
  next: (_, tape) => ({ type: "open.tapeOut", payload: { tape } }),
  events: { "open.tapeOut": (p) => p.tape },
  press: "Press when it is out",
} satisfies StepRule;
