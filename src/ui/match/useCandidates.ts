import { useMemo } from "react";
import type { LeadTime, Offer } from "@/core/catalogue";
import { OWN_SHELF } from "@/core/job";
import {
  compareFit,
  type FitRow,
  type Overall,
  overallVerdict,
  type Panel,
  type Ranking,
  rankCandidates,
  rankWords,
} from "@/core/panel";
import { useBench } from "../job/context";

export type ListedOffer = Offer & { lead: LeadTime };
export interface Candidate {
  hash: string;
  data: Panel;
  rows: FitRow[];
  overall: Overall;
  /** What sellers ask for it: those that have it first, then the cheapest, an opened one of the own shelf last. Never empty. */
  offers: ListedOffer[];
  /** Why it stands where it stands. */
  why?: string;
}

const out = (o: ListedOffer) => Number(o.stock === 0);
/** A panel of nearly this diagonal is worth comparing: further off, it is another machine's. Inch. */
const NEAR_IN = 0.15;

export const offerKey = (o: Offer): string => `${o.seller}|${o.condition}`;

/** One of the own shelf that is not new is there to be picked by a hand, never by itself. */
const opened = (o: Offer): number => Number(o.seller === OWN_SHELF && o.condition !== "new");

/** Panels somebody offers in the old panel's size, compared with it, in the order a technician would take them. */
export function useCandidates(old: Panel | null): Candidate[] {
  const { reference, build } = useBench();
  return useMemo(() => {
    if (!old) return [];
    const size = old.diagonalIn.value;
    const listed = reference.panels
      .filter((p) => size === null || p.data.diagonalIn.value === null || Math.abs(p.data.diagonalIn.value - size) < NEAR_IN)
      .flatMap((p): (Candidate & Ranking)[] => {
        const offers = reference.offers
          .filter((o) => o.panel === p.data.id)
          .sort(
            (a, b) => out(a) - out(b) || opened(a) - opened(b) || a.priceMinor - b.priceMinor || a.lead.p50Days - b.lead.p50Days,
          );
        const first = offers[0];
        if (!first) return [];
        const rows = compareFit(old, p.data, build?.data ?? null);
        const had = out(first) === 0;
        return [
          {
            ...p,
            rows,
            overall: overallVerdict(rows),
            offers,
            code: p.data.code,
            priceMinor: had ? first.priceMinor : null,
            days: had ? first.lead.p50Days : null,
          },
        ];
      });
    return rankCandidates(listed).map((c) => ({
      ...c,
      why: rankWords({ ...c, days: c.days === null ? null : Math.round(c.days) }),
    }));
  }, [old, reference, build]);
}
