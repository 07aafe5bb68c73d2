import { lookOf } from "../../build";
import type { StepRule } from "../step";

declare module "./kinds" {
  interface StepKinds {
    look: true;
  }
}

/** What whoever described the machine could not know: looked at with the thing in sight, before it is undone. */
export const look = {
  station: "open",
  make: ({ b }, of) => {
    const x = b.part.get(of) ?? b.group.get(of) ?? b.connector.get(of) ?? b.tape.get(of);
    const name = (x?.name ?? of).toLowerCase();
    return {
      title: `Look at the ${name} first: not known yet`.slice(0, 60),
      how: lookOf(b.build, of)?.ask ?? "",
      minutes: 0.5,
      ...(x && "view" in x ? { view: x.view } : {}),
      because: "The build leaves this open: nothing is pried, cut or pulled on a guess.",
    };
  },
  done: (v, of) => !!v.s.looked[of],
  next: () => null,
  events: { "open.looked": (p) => p.of },
  press: "",
  asks: true,
} satisfies StepRule;
