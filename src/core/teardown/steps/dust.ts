import type { StepRule } from "../step";

declare module "./kinds" {
  interface StepKinds {
    dust: true;
  }
}

export const dust = {
  station: "bond",
  make: ({ b }) => ({
    title: b.build.dust?.verb ?? "Blow the pocket clear of dust",
    how:
      b.build.dust?.how ??
      (b.build.subject.kind === "cell"
        ? "Hand blower, no spray. Side light from two edges: crumbs, a hair; a diffuser that came up with the old cell is laid back first."
        : "Hand blower, lid tilted. No spray near bare films."),
    minutes: b.build.dust?.minutes ?? 1,
    ...(b.build.dust?.tool ? { tool: b.build.dust.tool } : { tools: ["Hand blower"] }),
  }),
  done: (v) => v.s.bond.dusted,
  next: () => ({ type: "bond.dusted", payload: {} }),
  events: { "bond.dusted": () => "" },
  press: "Press when it is clear",
} satisfies StepRule;
