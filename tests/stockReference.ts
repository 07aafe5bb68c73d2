import type { StockEvent } from "@/core/stock";

/** Stock told by adding up from the beginning for every question: slow, plain, and written apart from the product's fold. */
export function plainBalance(events: readonly StockEvent[]): Record<string, { onHand: number; reserved: number }> {
  const seen = new Set<string>();
  const log = [...events]
    .filter((e) => (seen.has(e.id) ? false : seen.add(e.id)))
    .sort((a, b) => `${a.clock} ${a.device ?? ""} ${a.id}`.localeCompare(`${b.clock} ${b.device ?? ""} ${b.id}`, "en"));
  const undone = log.filter((e) => e.type === "stock.takenBack").map((e) => (e as { eventId: string }).eventId);
  const onHand = new Map<string, number>();
  const lots = new Map<string, { item: string; left: number; expires: string; lot: string }>();
  const held: { job: string; item: string; left: number }[] = [];
  const sum = (item: string) => onHand.get(item) ?? 0;
  const heldOf = (item: string) => held.filter((h) => h.item === item).reduce((n, h) => n + h.left, 0);
  for (const e of log) {
    if (undone.includes(e.id)) continue;
    let item = "item" in e ? e.item : "lot" in e ? (lots.get(e.lot as string)?.item ?? "") : "";
    if (e.type === "stock.received" || e.type === "stock.salvaged") {
      if (lots.has(e.lot)) continue;
      lots.set(e.lot, { item: e.item, left: e.count, expires: e.expires ?? "~", lot: e.lot });
      onHand.set(e.item, sum(e.item) + e.count);
    }
    if (e.type === "stock.used" || e.type === "stock.scrapped") {
      let want = e.count;
      const own = [...lots.values()].filter((l) => l.item === e.item);
      const first = own.filter((l) => l.lot === e.lot);
      const rest = own
        .filter((l) => l.lot !== e.lot)
        .sort((a, b) => (a.expires === b.expires ? (a.lot < b.lot ? -1 : 1) : a.expires < b.expires ? -1 : 1));
      for (const l of [...first, ...rest])
        while (want > 0 && l.left > 0) {
          l.left--;
          want--;
          onHand.set(e.item, sum(e.item) - 1);
        }
      if (e.type === "stock.used")
        for (const h of held) if (h.job === e.job && h.item === e.item) h.left = Math.max(0, h.left - e.count);
    }
    if (e.type === "stock.reserved") {
      const k = Math.max(0, Math.min(e.count, sum(e.item) - heldOf(e.item)));
      const h = held.find((x) => x.job === e.job && x.item === e.item);
      if (h) h.left += k;
      else held.push({ job: e.job, item: e.item, left: k });
    }
    if (e.type === "stock.released")
      for (const h of held) if (h.job === e.job && h.item === e.item) h.left = Math.max(0, h.left - (e.count ?? h.left));
    if (e.type === "stock.counted") {
      const l = lots.get(e.lot);
      if (!l) continue;
      item = l.item;
      onHand.set(item, sum(item) + e.count - l.left);
      l.left = e.count;
    }
    for (const h of [...held].reverse()) while (h.item === item && h.left > 0 && heldOf(item) > sum(item)) h.left--;
  }
  return Object.fromEntries([...onHand.keys()].map((i) => [i, { onHand: sum(i), reserved: heldOf(i) }]));
}
