import { asked } from "./asked";

declare module "./row" {
  interface FitFields {
    brightnessNits: true;
  }
}

export const brightnessNits = asked(
  "brightnessNits",
  "Brightness, cd/m²",
  "Find the brightness in a datasheet",
  (was, is, i, pm) =>
    Math.abs(is - was) + pm <= i.limits.brightnessSame * was + 1e-9
      ? null
      : {
          verdict: "ask",
          words: `${Math.round((Math.abs(is - was) / was) * 100)} % ${is < was ? "darker" : "brighter"}`,
          reason: `${is} against ${was} cd/m²: ${is < was ? "it is seen beside a window" : "it draws more from the battery"}. Ask the customer.`,
        },
);
