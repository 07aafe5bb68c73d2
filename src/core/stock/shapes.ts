import { z } from "zod";

/** States of a panel; *unknown* is never offered as a match. */
export const LOT_STATES = ["new", "opened", "pulled", "used", "cracked", "unknown"] as const;
export type LotState = (typeof LOT_STATES)[number];
/** How far a panel was tried. */
export const LOT_TESTS = ["notTested", "lookedAt", "lit", "proven"] as const;
export type LotTest = (typeof LOT_TESTS)[number];

/** Shapes that the stock's own log and the fold share. */
export const name = z.string().trim().min(1).max(80);
export const count = z.int().min(1).max(10_000_000);
export const why = z.string().trim().min(1).max(200);
export const place = z.string().trim().max(80);
export const lotOf = {
  item: name,
  lot: name,
  count,
  place: place.default(""),
  state: z.string().max(20).optional(),
  test: z.enum(LOT_TESTS).optional(),
  expires: z.string().max(30).optional(),
};
