import type { Share, ShopFigures, Spread } from "@/core/shopReport";
import type { ItemKind } from "@/core/stock";

/** A seller as its orders show it. */
export interface SellerFigures {
  seller: string;
  orders: number;
  came: number;
  /** Days taken, and the median of days quoted, of those that came. */
  took: Spread | null;
  quotedDays: number | null;
  /** Of all orders: another part than was ordered; sent back for whatever reason. */
  wrong: Share;
  returned: Share;
  /** Goods that stayed and all parcels, by panels that stayed; minor units. */
  perGoodMinor: number | null;
  postageKnown: boolean;
  jobs: string[];
}

/** What the page of the figures shows. Money in minor units of `currency`. */
export interface FiguresPageData {
  figures: Omit<ShopFigures, "earned"> & { best: ShopFigures["earned"]; worst: ShopFigures["earned"] };
  sellers: SellerFigures[];
  lies: {
    /** Worth by kind of thing, of lots whose price is on record. */
    byKind: { kind: ItemKind; minor: number; lots: number }[];
    valueMinor: number;
    unpriced: number;
    lots: number;
    expiring: { lot: string; item: string; expires: string }[];
    breaches: number;
    /** Metres of tape a day, and how many days what is here lasts; null where too little was used. */
    tape: { item: string; leftMm: number; days: number | null }[];
  };
  /** Share of promises this shop means to keep. */
  sure: number;
  currency: string;
  /** Address of the calendar feed; null while it is off. */
  calendar: string | null;
  nowMs: number;
}
