import { useMemo } from "react";
import type { LeadTime, Offer } from "@/core/catalogue";
import { compareFit, type FitRow, type Overall, overallVerdict, type Panel } from "@/core/panel";
import { useBench } from "../job/context";

export type ListedOffer = Offer & { lead: LeadTime };
export interface Candidate {
  hash: string;
  data: Panel;
  rows: FitRow[];
  overall: Overall;
  /** What sellers ask for it: those that have it first, then the cheapest. Never empty. */
  offers: ListedOffer[];
}

const RANK: Record<Overall["kind"], number> = { same: 0, change: 1, ask: 2, doNotConnect: 3, stop: 4 };
const out = (o: ListedOffer) => Number(o.stock === 0);
/** A panel of nearly this diagonal is worth comparing: further off, it is another machine's. Inch. */
const NEAR_IN = 0.15;

export const offerKey = (o: Offer): string => `${o.seller}|${o.condition}`;

/** Panels somebody offers in the old panel's size, compared with it: what fits first, then what can be had soonest. */
export function useCandidates(old: Panel | null): Candidate[] {
  const { reference, build } = useBench();
  return useMemo(() => {
    if (!old) return [];
    const size = old.diagonalIn.value;
    return reference.panels
      .filter((p) => size === null || p.data.diagonalIn.value === null || Math.abs(p.data.diagonalIn.value - size) < NEAR_IN)
      .flatMap((p): Candidate[] => {
        const offers = reference.offers
          .filter((o) => o.panel === p.data.id)
          .sort((a, b) => out(a) - out(b) || a.priceMinor - b.priceMinor || a.lead.p50Days - b.lead.p50Days);
        if (offers.length === 0) return [];
        const rows = compareFit(old, p.data, build?.data ?? null);
        return [{ ...p, rows, overall: overallVerdict(rows), offers }];
      })
      .sort(
        (a, b) =>
          Number(a.overall.kind === "stop") - Number(b.overall.kind === "stop") ||
          out(a.offers[0]!) - out(b.offers[0]!) ||
          a.overall.looks - b.overall.looks ||
          RANK[a.overall.kind] - RANK[b.overall.kind] ||
          a.offers[0]!.lead.p50Days - b.offers[0]!.lead.p50Days ||
          (a.data.code < b.data.code ? -1 : 1),
      );
  }, [old, reference, build]);
}
