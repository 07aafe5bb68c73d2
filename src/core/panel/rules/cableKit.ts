import { formatMoney } from "../../quantity";
import { sureOf } from "../settles";
import type { Clash } from "./destroying";
import { pitchClass } from "./pitchClass";
import { equal, type RuleInput } from "./row";

/** The fields a kit answers, in the order of the table: the first that differs carries the part, so that it is paid once. */
const ANSWERS = ["family", "contacts", "pitchMm"] as const;

/**
 * A cable to be had for this machine that ends in the candidate's plug: then the cable is a part of the change.
 * @returns null where there is none, or where the candidate's plug is not settled
 * @param field the row that asks
 * @example kitFor({ old, candidate, build, limits: FIT_LIMITS }, "contacts") // null
 */
export function kitFor({ old, candidate: c, build }: RuleInput, field: (typeof ANSWERS)[number]): Clash | null {
  const [family, contacts, pitch] = [sureOf("family", c.family), sureOf("contacts", c.contacts), sureOf("pitchMm", c.pitchMm)];
  const kit = build?.cableKits?.find(
    (k) => k.family === family && k.contacts === contacts && pitch !== null && pitchClass(pitch) === pitchClass(k.pitchMm),
  );
  return kit
    ? {
        verdict: "change",
        words: "with another cable",
        reason: `There is a ${kit.part} for this machine that ends in this plug: the cable is a part of the change, ${kit.minutes} min and ${formatMoney(kit.costMinor, "").trim()} for the part.`,
        ...(ANSWERS.find((f) => !equal<unknown>(old[f].value, c[f].value)) === field
          ? { change: { part: kit.part, minutes: kit.minutes, costMinor: kit.costMinor, at: "swap", act: `Fit the ${kit.part}` } }
          : {}),
      }
    : null;
}
