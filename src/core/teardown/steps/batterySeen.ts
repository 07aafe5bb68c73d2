import { seenAtHome } from "../../build";
import { type JobView, passStatus, seated } from "../../job";
import { listed } from "../../quantity";
import type { Moment, StepRule } from "../step";

declare module "./kinds" {
  interface StepKinds {
    batterySeen: true;
  }
}

/**
 * Whether the battery still waits to be seen on its lead: home, nothing over it yet, and nobody has looked.
 * @example waitsForBattery(view) // false
 */
export const waitsForBattery = (v: JobView): boolean => passStatus(v, "open").atHome.length > 0;

/** The moment between the pack's plug and its cover. @example plugsHome({ s: emptyState(), b }) // false */
export function plugsHome({ s, b }: Moment): boolean {
  const points = seenAtHome(b);
  return (
    points.length > 0 &&
    seated(s) &&
    points.every((c) => s.connectors[c.id] === "on" && c.under.every((p) => s.parts[p] === "out"))
  );
}

/** Battery and its warning, looked at while a hand still reaches its lead. */
export const batterySeen = {
  station: "close",
  atBase: true,
  make: ({ b }) => ({
    title: "Battery seen, before its cover goes on",
    how: "It runs on mains: the battery shows, no warning comes, it charges.",
    minutes: 1,
    because: `${listed(seenAtHome(b).map((c) => c.name))}: under the cover nobody reaches it. A battery that is not there is most often its sense lead.`,
  }),
  done: (v) => seated(v.s) && !waitsForBattery(v),
  next: (v) => {
    const c = passStatus(v, "open").atHome[0];
    return c ? { type: "prove.checkDone", payload: { pass: "open", check: c.id, result: "pass", note: "" } } : null;
  },
  events: { "prove.checkDone": (p, at) => (p.pass === "open" && p.check === "battery" && plugsHome(at) ? "" : null) },
  press: "Press when it holds",
  asks: true,
} satisfies StepRule;
