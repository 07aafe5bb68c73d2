import { formatMoney } from "../quantity";
import type { QuoteInput, QuoteOption, QuoteOptionId } from "./options";
import { OTHER_JOBS } from "./otherJobs";

export interface Recommendation {
  id: QuoteOptionId;
  /** Why this one. */
  reason: string;
  /** What would change it. */
  wouldChange: string;
}

/** Triage has to be this sure before a job that is no panel is recommended for it (adj). */
const POINTS_AT = 0.5;
const PANELS: readonly QuoteOptionId[] = ["panelNew", "panelUsed", "lidAssembly", "makerService"];

/**
 * Which option stands first, why, and what would change it: cover before all; what Triage points at before a panel; else the least
 * expected cost among those below the shop's share of another machine; another machine where all are above it.
 * @param options as `quoteOptions` gives them for the same input
 * @example recommend(quoteOptions(quoteInput), quoteInput).id // "none"
 */
export function recommend(options: readonly QuoteOption[], i: QuoteInput): Recommendation {
  const money = (m: number) => formatMoney(m, i.policy.currency);
  const of = (id: QuoteOptionId) => options.find((o) => o.id === id && o.whyNot === null);
  const asked = i.cover === "unknown" ? " Cover, if there is any: ask first." : "";
  const cover = of("cover");
  if (cover)
    return {
      id: "cover",
      reason: `There is cover: ${cover.expectedMinor === 0 ? "it costs nothing" : `it costs ${money(cover.expectedMinor)} at most`}, and opening may end it.`,
      wouldChange: `If the cover is refused, or ${Math.round(cover.days)} days are too long.`,
    };
  const pointed = i.points && i.points.p >= POINTS_AT ? i.points : null;
  const job = pointed && OTHER_JOBS.find((j) => j.first.includes(pointed.fault));
  const option = job && of(job.id);
  if (option)
    return {
      id: option.id,
      reason: `Triage points there with ${Math.round(pointed!.p * 100)} %: a panel would not end it.`,
      wouldChange: `Another answer in Triage.${asked}`,
    };
  const open = PANELS.flatMap((id) => of(id) ?? []).sort((a, b) => a.expectedMinor - b.expectedMinor || a.days - b.days);
  const best = open.find((o) => !o.overWorth);
  const least = open[0];
  if (!best)
    return {
      id: "none",
      reason: least
        ? `Every way costs more than the shop's share of another machine; the least, ${least.name.toLowerCase()}, ${Math.round(least.ratio * 100)} % of it.`
        : "Nothing is on offer.",
      wouldChange: `A cheaper part, or data or a machine that are worth more than its price.${asked}`,
    };
  const next = open.find((o) => o.id !== best.id);
  return {
    id: best.id,
    reason: `The least expected cost, ${money(best.expectedMinor)}, with what may go wrong counted${best.days ? `, in ${best.days} days` : ""}.`,
    wouldChange: `${next ? `${next.name} if it came ${money(next.expectedMinor - best.expectedMinor)} cheaper${next.days < best.days ? `, or if ${best.days - next.days} days sooner are worth that` : ""}.` : "Another offer."}${asked}`,
  };
}
