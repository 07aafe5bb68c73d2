import { asked } from "./asked";

declare module "./row" {
  interface FitFields {
    viewingAngleDeg: true;
  }
}

export const viewingAngleDeg = asked(
  "viewingAngleDeg",
  "Viewing angle, °",
  "Find the viewing angle in a datasheet",
  (was, is, i, pm) =>
    Math.abs(is - was) + pm <= i.limits.angleSameDeg
      ? null
      : {
          verdict: "ask",
          words: `${Math.abs(is - was)}° ${is < was ? "narrower" : "wider"}`,
          reason: `${is}° against ${was}° to the worst side: it is seen by who looks from beside it. Ask the customer.`,
        },
);
