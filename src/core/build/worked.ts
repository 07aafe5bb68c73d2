import { applyFinds, type KeptFind } from "./finds";
import type { Supply } from "./kinds";
import { type LampTest, withLamp } from "./lamp";
import { type Mend, withMends } from "./mends";
import type { Build } from "./schema";
import { withSupply } from "./supply";
import { type Warming, withWarming } from "./warming";

/** What one job knows or chose beside its machine's build. */
export interface Worked {
  finds: readonly KeptFind[];
  mends: readonly Mend[];
  warming?: Readonly<Record<string, Warming>> | undefined;
  supply?: Supply | undefined;
  /** One of its panels is lit by a lamp, whatever the build says. */
  lit: boolean;
  lampTest?: LampTest | undefined;
}

/**
 * A build as one job works on it: with what was found and mended, how its strips are warmed, what feeds its tests.
 * @example worked(build, { finds: [], mends: [], lit: false }) === build // true
 */
export const worked = (build: Build, w: Worked): Build =>
  withLamp(withSupply(withWarming(withMends(applyFinds(build, w.finds), w.mends), w.warming), w.supply), w.lit, w.lampTest);
