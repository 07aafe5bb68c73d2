import { z } from "zod";
import type { Offer } from "./machine";

/** Where a seller's prices, stock and days come from, real or simulated. */
export interface SellerFeed {
  ask(seller: string): Promise<{ ok: true; rows: unknown[] } | { ok: false; problem: string }>;
}

/** One row as sellers send it: price as decimal text in the seller's currency. */
export const FeedRow = z.strictObject({
  code: z.string().trim().min(2).max(40),
  condition: z.enum(["new", "pulled", "refurbished", "used"]),
  price: z.string().regex(/^\d{1,6}\.\d{2}$/, 'a price as "84.20"'),
  currency: z.string().regex(/^[A-Z]{3}$/, "three capital letters"),
  days: z.int().min(0).max(365),
  stock: z.int().min(0).max(100_000),
});

export interface FeedRead {
  offers: Offer[];
  /** Rows not taken: which, what was read, what was expected. */
  problems: string[];
}

/**
 * Reads what a seller sent, row by row: a bad row is named and left out, the others count.
 * @param idOfCode id of a panel's record by its code, or null when it is not in the catalogue
 * @param asOf when it was asked, ISO
 * @example readFeed("Norrow Parts", [{}], () => null, now).problems.length // 1
 */
export function readFeed(
  seller: string,
  rows: readonly unknown[],
  idOfCode: (code: string) => string | null,
  asOf: string,
): FeedRead {
  const offers: Offer[] = [];
  const problems: string[] = [];
  const seen = new Set<string>();
  for (const [i, raw] of rows.slice(0, 5000).entries()) {
    const row = FeedRow.safeParse(raw);
    if (!row.success) {
      const issue = row.error.issues[0]!;
      const where = issue.path.map(String).join(".");
      const value = where && typeof raw === "object" && raw !== null ? (raw as Record<string, unknown>)[where] : undefined;
      problems.push(
        `Row ${i + 1}${where ? `, ${where}` : ""}${value === undefined ? "" : ` "${String(value).slice(0, 30)}"`}: ${issue.message}`,
      );
      continue;
    }
    const { code, price, ...rest } = row.data;
    const panel = idOfCode(code);
    if (!panel) {
      problems.push(`Row ${i + 1}: ${code} is not in the catalogue`);
      continue;
    }
    const key = `${panel} ${rest.condition}`;
    if (seen.has(key)) {
      problems.push(`Row ${i + 1}: ${code}, ${rest.condition}, is there twice; the first counts`);
      continue;
    }
    seen.add(key);
    const [whole, cents] = price.split(".");
    offers.push({ panel, seller, ...rest, priceMinor: Number(whole) * 100 + Number(cents), asOf });
  }
  return { offers, problems };
}
