import { type CauseAsk, causeChances } from "./rank";
import type { CauseTable } from "./schema";

/** What a check that failed is an answer to, where it is one plainly: the finding of the shipped table. */
export const FINDING_OF_CHECK: Readonly<Record<string, string>> = {
  lidSwing: "flicker",
  wiggle: "flicker",
  camera: "noCamera",
  wireless: "noWireless",
  battery: "batteryAbsent",
  batteryOpen: "batteryAbsent",
  lidSensor: "sleepWrong",
  touch: "touchWrong",
  tint: "tintWrong",
  pairing: "tintWrong",
  evenness: "patches",
  flush: "patches",
};

/** Checks that are about the picture itself, or about whether it starts: they say nothing of what the others need. */
const OF_THE_PICTURE: ReadonlySet<string> = new Set(
  "picture solid evenness evennessPhoto mode edid brightness tint oledTint wiggle light start lidSwing colour lowGrey warmLight lamp".split(
    " ",
  ),
);

/**
 * What a failed check tells by itself: what it is an answer to, and that the machine ran with a picture where the check needs one.
 * @param check id of the failed check
 * @example seenBy("camera") // { noPower: "no", noLight: "no", noPicture: "no", noCamera: "yes" }
 */
export function seenBy(check: string): Record<string, "yes" | "no"> {
  const own = FINDING_OF_CHECK[check];
  return {
    ...(OF_THE_PICTURE.has(check) ? {} : { noPower: "no" as const, noLight: "no" as const, noPicture: "no" as const }),
    ...(own ? { [own]: "yes" as const } : {}),
  };
}

export interface LookMove {
  finding: string;
  answer: "yes" | "no";
  /** Chance of the cause that leads now, without this answer and with it. */
  before: number;
  after: number;
}

/**
 * What each answer moved: the chance of the cause that leads now without that one answer, and with all of them.
 * @example lookMoves(causeTable, { feeds: { camera: 1 }, seen: { noCamera: "yes" } })[0].after > 0.5 // true
 */
export function lookMoves(t: CauseTable, o: CauseAsk): LookMove[] {
  const lead = causeChances(t, o)[0]!;
  return Object.entries(o.seen).flatMap(([finding, answer]) => {
    if (answer !== "yes" && answer !== "no") return [];
    const { [finding]: _, ...seen } = o.seen;
    const before = causeChances(t, { ...o, seen }).find((r) => r.cause === lead.cause)!.p;
    return [{ finding, answer, before, after: lead.p }];
  });
}
