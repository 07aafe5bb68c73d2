/** What is known of the panels of a machine model, and what mistakes and looks cost. Money in minor units. */
export interface WayInput {
  /** Panels found in this model, with how often, and the chance that ordering the usual one for it would be wrong (0 to 1). */
  variants: readonly { count: number; wrong: number }[];
  /** The machine was repaired before: another panel may be in it. */
  repairedBefore: boolean;
  costs: WayCosts;
  /** Chance that the machine's EDID can be read: it starts, it is not locked down, its system tells. */
  edidWorks: number;
}

/** Defaults (adj): round figures for a small bench. */
export interface WayCosts {
  /** Return of a wrong panel: postage, handling, minor units. */
  wrongMinor: number;
  /** Days lost by a wrong panel. */
  wrongDays: number;
  /** Opening now and again when the part is here: labour and clips. */
  openTwiceMinor: number;
  /** Days the order waits for the opening. */
  openDays: number;
  readEdidMinor: number;
  /** What a day is worth to the customer. */
  dayMinor: number;
  /** Part of the wrong orders that a known code does not prevent: tabs, finish, connector side. */
  edidBlind: number;
  /** Chance that a label is misread all the same. */
  labelWrong: number;
}
export const WAY_COSTS: WayCosts = {
  wrongMinor: 2400,
  wrongDays: 7,
  openTwiceMinor: 1900,
  openDays: 0.5,
  readEdidMinor: 350,
  dayMinor: 300,
  edidBlind: 0.25,
  labelWrong: 0.01,
};

export type Way = "model" | "edid" | "label";
export interface WayRow {
  way: Way;
  /** Expected money and days, and both together in minor units. */
  costMinor: number;
  days: number;
  totalMinor: number;
  leaves: string;
}

export interface WayAdvice {
  /** Chance that an order by model ends in a stop or in a refused difference. */
  p: number;
  /** Part of p that stands for a variant never seen. */
  unseen: number;
  /** Cheapest first. */
  rows: WayRow[];
  /** The p at which ordering by model costs as much as the best other way; null when it is dearer or cheaper for every p. */
  breakEven: number | null;
}

/** Weight of a variant never seen, in sightings (adj): more when the machine was repaired before. */
const UNSEEN = 1;
const UNSEEN_REPAIRED = 3;
/** A variant never seen is wrong this often (adj). */
const UNSEEN_WRONG = 0.6;

/**
 * Expected cost of the three ways at a given p.
 * @example waysAt(0.2, { costs: WAY_COSTS, edidWorks: 0.8 }).map((r) => r.way) // ["edid", "model", "label"]
 */
export function waysAt(p: number, i: Pick<WayInput, "costs" | "edidWorks">): WayRow[] {
  const c = i.costs;
  const row = (way: Way, costMinor: number, days: number, leaves: string): WayRow => ({
    way,
    costMinor,
    days,
    totalMinor: costMinor + days * c.dayMinor,
    leaves,
  });
  const model = row("model", p * c.wrongMinor, p * c.wrongDays, "which of its panels is in it; finish, contacts, tabs");
  const label = row(
    "label",
    c.openTwiceMinor + c.labelWrong * c.wrongMinor,
    c.openDays + c.labelWrong * c.wrongDays,
    "nothing but a misread character",
  );
  const q = p * c.edidBlind;
  const other = model.totalMinor <= label.totalMinor ? model : label;
  const works = i.edidWorks;
  const edid = row(
    "edid",
    c.readEdidMinor + works * q * c.wrongMinor + (1 - works) * other.costMinor,
    works * q * c.wrongDays + (1 - works) * other.days,
    "tabs, finish and the connector's side",
  );
  return [model, edid, label].sort((a, b) => a.totalMinor - b.totalMinor);
}

/**
 * Order now by machine model, read the EDID, or open first: which costs least here, in money and days.
 * @example wayToKnow({ variants: [{ count: 20, wrong: 0 }], repairedBefore: false, costs: WAY_COSTS, edidWorks: 0.8 }).rows[0].way // "model"
 */
export function wayToKnow(i: WayInput): WayAdvice {
  const weight = i.repairedBefore ? UNSEEN_REPAIRED : UNSEEN;
  const seen = i.variants.reduce((s, v) => s + v.count, 0);
  const unseen = weight / (seen + weight);
  const p = Math.min(1, i.variants.reduce((s, v) => s + (v.count / (seen + weight)) * v.wrong, 0) + unseen * UNSEEN_WRONG);
  const gap = (x: number) => {
    const rows = waysAt(x, i);
    const model = rows.find((r) => r.way === "model")!.totalMinor;
    return model - Math.min(...rows.filter((r) => r.way !== "model").map((r) => r.totalMinor));
  };
  let breakEven: number | null = null;
  if (gap(0) < 0 && gap(1) > 0) {
    let lo = 0;
    let hi = 1;
    while (hi - lo > 1e-6) {
      const mid = (lo + hi) / 2;
      if (gap(mid) > 0) hi = mid;
      else lo = mid;
    }
    breakEven = hi;
  }
  return { p, unseen: unseen * UNSEEN_WRONG, rows: waysAt(p, i), breakEven };
}
