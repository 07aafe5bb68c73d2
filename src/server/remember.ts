import { connection } from "@/data/connection";

/**
 * Remembers what was worked out from the database as long as its stamp stays the same. The stamp is asked every time, so that
 * nothing is ever older than what is stored; it has to change with everything the answer stands on.
 * @param stamp a text that is cheap to read
 * @example remember("orders", async () => String(count), () => readOrders())
 */
export async function remember<T>(name: string, stamp: () => Promise<string>, work: () => Promise<T>): Promise<T> {
  const { db } = connection();
  const mine = kept.get(db) ?? new Map<string, { stamp: string; value: unknown }>();
  kept.set(db, mine);
  const now = await stamp();
  const hit = mine.get(name);
  if (hit?.stamp === now) return hit.value as T;
  const value = await work();
  mine.set(name, { stamp: now, value });
  return value;
}
/** By database, so that one opened anew starts with nothing. */
const kept = new WeakMap<object, Map<string, { stamp: string; value: unknown }>>();
