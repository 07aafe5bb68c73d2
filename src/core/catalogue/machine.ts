import { z } from "zod";

/** A machine the shop knows: its codes, its build when there is one, and the panels seen in it. */
export const Machine = z.strictObject({
  model: z.string().min(1).max(60),
  codes: z.array(z.string().max(40)),
  build: z.string().nullable(),
  panels: z.array(z.string()),
  /** How often each panel was found in this model, by panel id; one time each when missing. */
  seen: z.record(z.string(), z.int().min(0)).optional(),
});
export type Machine = z.infer<typeof Machine>;

/** What a seller asks for a panel. Money in minor units, lead time in days. */
export const Offer = z.strictObject({
  panel: z.string(),
  seller: z.string().min(1).max(60),
  condition: z.enum(["new", "pulled", "refurbished", "used"]),
  priceMinor: z.int().min(0),
  currency: z.string().length(3),
  days: z.int().min(0).max(365),
  /** Pieces the seller has; missing = not said. */
  stock: z.int().min(0).optional(),
  /** When the seller was asked; missing = from a file. */
  asOf: z.iso.datetime().optional(),
  /** Written down by hand: asking the sellers leaves it as it is. */
  byHand: z.literal(true).optional(),
  /** Of the own shelf: which one it is, where it lies, as what, and how far it was tried. */
  shelf: z.strictObject({ lot: z.string(), place: z.string(), state: z.string(), test: z.string().nullable() }).optional(),
});
export type Offer = z.infer<typeof Offer>;

/** What a seller promises. */
export const SellerTerms = z.strictObject({
  name: z.string().min(1).max(60),
  /** Days of guarantee from arrival, and what it does not cover. */
  guaranteeDays: z.int().min(0).max(3650),
  excludes: z.string().max(200),
  /** Days within which it can go back. */
  returnDays: z.int().min(0).max(365),
  /** Of one parcel, and from how much goods on there is none; minor units of the shop's currency. */
  postageMinor: z.int().min(0).max(1_000_000).optional(),
  freeFromMinor: z.int().min(0).max(100_000_000).nullable().optional(),
  /** Protective films off ends the right to send it back. */
  filmsOffEndsReturn: z.boolean(),
});
export type SellerTerms = z.infer<typeof SellerTerms>;
