import { kitFor } from "./cableKit";
import { destroying } from "./destroying";
import { equal } from "./row";

declare module "./row" {
  interface FitFields {
    family: true;
  }
}

export const family = destroying(
  "family",
  "Interface",
  (v) => v,
  "Read the interface family off the label or datasheet",
  (a: string, b: string, i) =>
    equal(a, b)
      ? null
      : (kitFor(i, "family") ?? {
          verdict: "stop",
          words: `${b}, not ${a}`,
          reason: `This board speaks ${a}: plugs of both can look alike and carry other voltages on the same contacts.`,
        }),
);
