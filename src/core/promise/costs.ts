import { z } from "zod";

const minor = z.int().min(0).max(1_000_000);
const share = z.number().min(0).max(2);

/** What a shop reckons with where it weighs days, people and stock against money: minor units of its currency, shares a year. */
export const ShopCosts = z.strictObject({
  /** What a job loses by waiting for its panel instead of being done now. */
  delayMinor: minor,
  lateMinorPerDay: minor,
  /** Annoyance of a call, a place in the queue, an evening, a finish that differs, a machine lent. */
  callMinor: minor,
  firstMinor: minor,
  eveningMinor: minor,
  finishMinor: minor,
  loanMinor: minor,
  /** Of what lies: money bound in it; that it goes out of use, of a running model and of one that did not come for a year. */
  carryPerYear: share,
  obsoletePerYear: share,
  obsoleteOldPerYear: share,
});
export type ShopCosts = z.infer<typeof ShopCosts>;

/** Until somebody answers for the shop (A). @source SHOP B and C: judgement, to be asked. */
export const DEFAULT_COSTS: ShopCosts = {
  delayMinor: 700,
  lateMinorPerDay: 800,
  callMinor: 600,
  firstMinor: 300,
  eveningMinor: 1500,
  finishMinor: 1500,
  loanMinor: 400,
  carryPerYear: 0.1,
  obsoletePerYear: 0.25,
  obsoleteOldPerYear: 0.5,
};
