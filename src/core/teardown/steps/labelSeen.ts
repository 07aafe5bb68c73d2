import { SUBJECT_WORDS } from "../../build";
import { panelReading } from "../../job";
import type { StepRule } from "../step";

declare module "./kinds" {
  interface StepKinds {
    labelSeen: true;
  }
}

/** Opened only to read the label: the panel leaned forward on its leads, nothing of it taken off. */
export const labelSeen = {
  station: "open",
  once: true,
  make: ({ b }) => ({
    title: `Lean the ${SUBJECT_WORDS[b.build.subject.kind]} forward, read its label`,
    how: "On its lower edge over soft cloth, held, as far as its leads let it: nothing hangs on a lead. Read the largest line on its back into Identify, and take a picture of it.",
    minutes: 2,
    caution: "Where a lead is too short to lean it, take the lead off first: it is isolated.",
  }),
  done: (v) => panelReading(v.s)?.source === "L",
  next: () => null,
  events: {},
  press: "",
  asks: true,
} satisfies StepRule;
