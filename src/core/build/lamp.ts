import type { Build } from "./schema";

/** When a lamp-lit machine is tried: with everything that came off back on, or open, by a trained person. */
export type LampTest = "afterBezel" | "open";

/** How long an inverter that ran is left alone before a hand goes near it, s (adj; the maker's word comes first). */
export const LAMP_WAIT_S = 60;

/**
 * Lit by a lamp: an inverter makes over a thousand volts for it. Told by the build, by its lamp lead, or by the job that knows
 * the panel.
 * @example lampLit(build) // false
 */
export const lampLit = (build: Build): boolean =>
  build.inverterOn !== undefined || build.lampTest !== undefined || build.connectors.some((c) => c.kind === "lampLead");

/**
 * Nothing of it is powered before it is whole again: lamp-lit, and nobody trained was named for an open test.
 * @example triedWhole(build) // false
 */
export const triedWhole = (build: Build): boolean => lampLit(build) && build.lampTest !== "open";

/** How its tests are fed and run, in one word: builds that differ in it have plans that differ. @example howTried(build) // "mains" */
export const howTried = (build: Build): string => `${build.isolation.testSupply}${build.lampTest ? ` ${build.lampTest}` : ""}`;

const cache = new WeakMap<Build, Map<LampTest, Build>>();

/**
 * A build with what the job knows of its lamp; the same object each time.
 * @param lit one of its panels is known to be lit by a lamp, whatever the build says
 * @param test how it is tried, where that was chosen
 * @example withLamp(build, true, undefined).lampTest // "afterBezel"
 */
export function withLamp(build: Build, lit: boolean, test: LampTest | undefined): Build {
  if (!lit && !lampLit(build)) return build;
  const mode = test ?? "afterBezel";
  const made = cache.get(build) ?? new Map<LampTest, Build>();
  cache.set(build, made);
  const known = made.get(mode) ?? { ...build, lampTest: mode };
  made.set(mode, known);
  return known;
}
