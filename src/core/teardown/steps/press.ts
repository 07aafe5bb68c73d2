import { PRESS, pressEdges } from "../../tape";
import type { StepRule } from "../step";

declare module "./kinds" {
  interface StepKinds {
    press: true;
  }
}

const capital = (words: string): string => (words[0] ?? "").toUpperCase() + words.slice(1);

export const press = {
  station: "bond",
  make: ({ b }) => {
    const edges = pressEdges(b.build).map((e) => `${e.edge} ${e.places} places${e.last ? ", last" : ""}`);
    return {
      title: `Press along every strip, ${PRESS.holdS} s each place`,
      how: `Cloth between, thumb on the frame, nothing on the lit area: ${PRESS.placeMm} mm at a time with about ${PRESS.forceN} N, near 1 kg, from one end to the other. ${capital(edges.join(", "))}. No heat: clean, pressure, time.`,
      minutes: 1,
    };
  },
  done: (v) => v.s.bond.pressed,
  next: () => ({ type: "bond.pressed", payload: {} }),
  events: { "bond.pressed": () => "" },
  press: "Press when all are pressed",
} satisfies StepRule;
