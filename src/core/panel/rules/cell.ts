import { asked } from "./asked";

declare module "./row" {
  interface FitFields {
    cell: true;
  }
}

/** How far from the upright colours hold, roughly: narrow for TN. */
const WIDE: Readonly<Record<string, boolean>> = { TN: false, VA: true, IPS: true, OLED: true };

export const cell = asked("cell", "Cell", "Look at it from below: does the picture turn", (was, is) =>
  was === is
    ? null
    : {
        verdict: "ask",
        words: `${is}, not ${was}`,
        reason:
          WIDE[was] === WIDE[is]
            ? "Another kind of cell: contrast and black look different. Ask the customer."
            : `The viewing angle is ${WIDE[is] ? "wider" : "narrower"}: ${WIDE[is] ? "better, and somebody must still want it" : "colours turn when it is looked at from the side or from below"}. Ask the customer.`,
      },
);
