import type { Step } from "./step";

/** What the planner weighs against each other, in minutes' worth. A shop setting. */
export interface PlanWeights {
  /** Another bit or tool in hand. */
  toolChange: number;
  /** The machine turned over. */
  turn: number;
  /** What a minute at the bench is worth, minor units: turns the cost of what may break into minutes. */
  minorPerMinute: number;
  /** Warming, and prying of glue: what they count beside their minutes. */
  heat: number;
  glue: number;
  /** What every minute of other work after them counts: puts them last where the order is free. */
  heatEarly: number;
  glueEarly: number;
}

/** Defaults (adj): a bench hour of 48 in the shop's currency. */
export const PLAN_WEIGHTS: PlanWeights = {
  toolChange: 0.35,
  turn: 0.5,
  minorPerMinute: 80,
  heat: 6,
  glue: 3,
  heatEarly: 0.05,
  glueEarly: 0.02,
};

/**
 * What a step costs wherever it stands, in minutes' worth: its minutes, those of its way back, what it may break, heat and glue.
 * @example stepCost({ ...plan.out[0], minutes: 2, backMinutes: 1 }, PLAN_WEIGHTS) // 3
 */
export function stepCost(s: Step, w: PlanWeights): number {
  return (
    s.minutes +
    (s.backMinutes ?? 0) +
    (s.risk ? (s.risk.chance * s.risk.costMinor) / w.minorPerMinute : 0) +
    (s.heat ? w.heat : 0) +
    (s.glue ? w.glue : 0)
  );
}
