import { SUPPLIES, type Supply } from "./kinds";
import type { Build } from "./schema";

const cache = new WeakMap<Build, Map<Supply, Build>>();

/**
 * A build whose tests are fed by another supply than it names; the same object each time.
 * @param supply missing = the build's own
 * @example withSupply(build, "battery").isolation.testSupply // "battery"
 */
export function withSupply(build: Build, supply: Supply | undefined): Build {
  if (!supply || supply === build.isolation.testSupply) return build;
  const made = cache.get(build) ?? new Map<Supply, Build>();
  cache.set(build, made);
  const known = made.get(supply) ?? { ...build, isolation: { ...build.isolation, testSupply: supply } };
  made.set(supply, known);
  return known;
}

/** A supply that could feed the tests, and what it means for the work. */
export interface SupplyChoice {
  supply: Supply;
  words: string;
  /** What its plugs cost more than mains alone, minutes over both starts. */
  minutes: number;
}

/**
 * The supplies a machine's tests can have, each with what it asks for.
 * @example supplyChoices(build).map((c) => c.supply) // ["mains", "mainsAndBattery", "battery"]
 */
export function supplyChoices(build: Build): SupplyChoice[] {
  const points = build.connectors.filter((c) => c.powerPoint);
  // On and off again, before the test and before the open pass.
  const plugs = build.isolation.by === "powerPoints" ? 4 * points.reduce((n, c) => n + c.minutes, 0) : 0;
  const words: Record<Supply, string> = {
    mains: points.length ? "Mains only: the pack stays off until everything is home." : "Mains only.",
    mainsAndBattery: "Pack on first, then the mains; off in the other order, twice.",
    battery: "Battery only: the pack on before each start and open again after it. No mains.",
  };
  return SUPPLIES.map((supply) => ({ supply, words: words[supply], minutes: supply === "mains" ? 0 : plugs }));
}
