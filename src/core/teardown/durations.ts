import { logSpread, type P50P80, sumLogNormal, t80, Z80 } from "../chance";

/** Defaults while the shop's own log is short (adj). */
export const DURATION_DEFAULTS = {
  /** Log standard deviation of one step, and of the factor the whole job shares (who, first or tenth of this model). */
  sigmaStep: 0.35,
  sigmaJob: 0.25,
  /** How far a whole shop may be from the defaults, as log standard deviation. */
  sigmaShop: 0.3,
  /** How many jobs the default spread weighs as much as. */
  weight: 8,
} as const;

/** What a plan takes in this shop, with how many of its own timed jobs stand behind it. */
export interface PlanTimes extends P50P80 {
  jobs: number;
  /** Shop's pace against the defaults: 1.2 = a fifth slower. */
  pace: number;
}

/**
 * P50 and P80 of a plan from the steps' medians and the shop's own timed jobs. Steps are log-normal and share one factor per
 * job; the shop's pace and spread are learned from its jobs' totals, taken over planned, pooled with the defaults by how
 * many there are (normal with unknown mean and variance, conjugate), and the next job is foretold with Student's t.
 * @param medians median minutes of the steps, each greater than 0 (others are ignored)
 * @param ratios minutes taken / planned median, one per timed job; values not greater than 0 are ignored
 * @returns minutes; with no jobs the defaults
 * @example planTimes([10, 5, 20], []).jobs // 0
 */
export function planTimes(medians: readonly number[], ratios: readonly number[]): PlanTimes {
  const { sigmaJob, sigmaStep, sigmaShop, weight } = DURATION_DEFAULTS;
  const steps = sumLogNormal(medians, sigmaStep, 0);
  if (steps.p50 === 0) return { p50: 0, p80: 0, jobs: 0, pace: 1 };
  // Spread of one job's total: what its steps leave after adding up, and the factor they share.
  const within = logSpread(steps);
  const prior = within ** 2 + sigmaJob ** 2;
  const logs = ratios.filter((r) => r > 0).map(Math.log);
  const n = logs.length;
  const k0 = prior / sigmaShop ** 2;
  const mean = logs.reduce((a, x) => a + x, 0) / Math.max(1, n);
  const spread = logs.reduce((a, x) => a + (x - mean) ** 2, 0);
  const kn = k0 + n;
  const mu = (n * mean) / kn;
  const alpha = (weight + n) / 2;
  const beta = (weight * prior) / 2 + spread / 2 + (k0 * n * mean ** 2) / (2 * kn);
  const sd = Math.sqrt((beta / alpha) * (1 + 1 / kn));
  return {
    p50: steps.p50 * Math.exp(mu),
    p80: steps.p50 * Math.exp(mu + t80(2 * alpha) * sd),
    jobs: n,
    pace: Math.exp(mu),
  };
}

/** One step planned against done. */
export interface StepTime {
  id: string;
  title: string;
  planned: number;
  actual: number;
}

/**
 * Which steps slipped: those that took longer than planned by more than their own spread allows, worst first.
 * @example slipped([{ id: "a", title: "Bezel", planned: 3, actual: 9 }])[0].title // "Bezel"
 */
export const slipped = (steps: readonly StepTime[]): StepTime[] =>
  steps
    .filter((s) => s.actual > s.planned * Math.exp(Z80 * DURATION_DEFAULTS.sigmaStep) && s.actual - s.planned > 0.5)
    .sort((a, b) => b.actual - b.planned - (a.actual - a.planned));
