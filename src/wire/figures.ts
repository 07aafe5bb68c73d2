import type { Share, ShopFigures } from "@/core/shopReport";

/** A seller as its orders show it. */
export interface SellerFigures {
  seller: string;
  orders: number;
  came: number;
  /** Median of days taken, and of days quoted, of those that came. */
  tookDays: number | null;
  quotedDays: number | null;
  returned: Share;
}

/** What the page of the figures shows. Money in minor units of `currency`. */
export interface FiguresPageData {
  figures: Omit<ShopFigures, "earned"> & { best: ShopFigures["earned"]; worst: ShopFigures["earned"] };
  sellers: SellerFigures[];
  panels: { code: string; fitted: number; returned: number; jobs: string[] }[];
  lies: {
    valueMinor: number;
    unpriced: number;
    lots: number;
    expiring: { lot: string; item: string; expires: string }[];
    breaches: number;
    /** Metres of tape a day, and how many days what is here lasts; null where too little was used. */
    tape: { item: string; leftMm: number; days: number | null }[];
  };
  currency: string;
  /** Address of the calendar feed; null while it is off. */
  calendar: string | null;
  nowMs: number;
}
