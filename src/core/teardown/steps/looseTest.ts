import { hangs, lampLit, SUBJECT_WORDS } from "../../build";
import { looseLooks } from "../../job";
import type { StepRule } from "../step";
import { LAMP_OPEN } from "./lampGuard";
import { testDone } from "./power";

declare module "./kinds" {
  interface StepKinds {
    looseTest: true;
  }
}

export const looseTest = {
  station: "swap",
  make: ({ b: { build } }) => ({
    title: hangs(build)
      ? "Start it with the lid on its hinges"
      : `Start it with the ${SUBJECT_WORDS[build.subject.kind]} lying loose`,
    how: hangs(build)
      ? "Picture whole, right way up, light even. Hold the lid: only its first screws are in."
      : `Picture whole, right way up, light even. Do not flex the ${SUBJECT_WORDS[build.subject.kind]}.`,
    minutes: 2,
    because: hangs(build)
      ? "Before it is screwed tight and closed: a bad lid comes off again in a minute."
      : `Before anything is stuck or closed: a bad ${SUBJECT_WORDS[build.subject.kind]} comes out again without harm.`,
    caution: `Live. Nothing is connected or taken off until it is isolated again.${lampLit(build) ? ` ${LAMP_OPEN}` : ""}`,
  }),
  done: testDone,
  // The picture is a person's to say; what else it carries follows, one after the other.
  next: (v) => {
    const t = v.s.looseTest;
    const look = t?.picture && !t.voidedBy ? looseLooks(v).find((l) => t.looks[l] !== true) : undefined;
    return look ? { type: "swap.looseSeen", payload: { look, works: true } } : null;
  },
  events: { "swap.looseTested": () => "", "swap.looseSeen": () => "" },
  press: "Press when you see it",
  asks: true,
} satisfies StepRule;
