import { FOLD_VERSION } from "@/core/job";
import { NO_LOG, type ShopLog } from "@/core/quote";
import { connection } from "@/data/connection";
import { cardsStamp, handedOverCards } from "@/data/jobListStore";
import { remember } from "./remember";

/** What the shop's closed jobs of a family say: minutes taken against planned, and what went wrong how often. */
export async function shopLogOf(family: string | null): Promise<ShopLog> {
  if (!family) return NO_LOG;
  return remember(
    `shopLog ${family}`,
    () => cardsStamp(connection().db),
    () => readShopLog(family),
  );
}

async function readShopLog(family: string): Promise<ShopLog> {
  const rows = await handedOverCards(connection().db, family, FOLD_VERSION);
  const mishaps: Record<string, number> = {};
  for (const r of rows) for (const m of new Set(r.mishaps)) mishaps[m] = (mishaps[m] ?? 0) + 1;
  // Under five minutes no panel was changed: the job was recorded afterwards, and its times mean nothing.
  return { jobs: rows.length, ratios: rows.flatMap((r) => (r.ratio !== null && r.ratio > 0.1 ? [r.ratio] : [])), mishaps };
}
