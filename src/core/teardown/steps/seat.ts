import { hangs, SUBJECT_WORDS } from "../../build";
import { seated } from "../../job";
import type { StepRule } from "../step";

declare module "./kinds" {
  interface StepKinds {
    seat: true;
  }
}

export const seat = {
  station: "bond",
  once: true,
  make: ({ b: { build, subject } }) => ({
    title:
      subject.back?.verb ??
      (hangs(build) ? "Set the lid on its hinges" : `Lower the ${SUBJECT_WORDS[build.subject.kind]} into its pocket`),
    how:
      subject.back?.how ??
      (hangs(build)
        ? "Locate both hinges, one screw each side finger-tight, and let go only when it stands. No lead is on it yet."
        : "Locate one edge, lower evenly."),
    minutes: subject.back?.minutes ?? 1,
    ...(subject.back?.caution ? { caution: subject.back.caution } : {}),
  }),
  done: (v) => seated(v.s),
  next: () => ({ type: "bond.panelSeated", payload: {} }),
  events: {
    "bond.panelSeated": (_, at) => at.b.subject.id,
    // Lifted out again: it is this step that took the time.
    "swap.panelLifted": (_, at) => at.b.subject.id,
  },
  press: "Press when it sits",
} satisfies StepRule;
