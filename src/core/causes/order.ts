import type { Cause } from "./hypotheses";
import type { CauseTable } from "./schema";

/** The cheapest order in which to check and mend, with what it is expected to take. */
export interface MendOrder {
  minutes: number;
  order: number[];
}

/** Causes the order is made over: the likeliest. */
const LIKELIEST = 9;

/**
 * The order of check-and-mend acts that takes least expected minutes, or stopping: exactly, over sets of the likeliest causes. The
 * first act that needs it pays the opening.
 * @param all hypotheses with their chances, summing to 1
 * @example cheapestOrder(causeTable, [{ set: [], p: 1 }], true, 14).minutes // 60
 */
export function cheapestOrder(t: CauseTable, all: readonly Cause[], opened: boolean, openMinutes: number): MendOrder {
  const chance = t.causes.map((_, c) => all.reduce((s, h) => s + (h.set.includes(c) ? h.p : 0), 0));
  const ids = chance
    .map((p, c) => ({ p, c }))
    .sort((a, b) => b.p - a.p)
    .slice(0, LIKELIEST)
    .map((x) => x.c);
  const n = ids.length;
  const sets = 1 << n;
  const bit = new Map(ids.map((c, i) => [c, 1 << i]));
  // Hypotheses by what has to be mended for them; what cannot be mended here stays.
  const byMask = new Map<number, number>();
  for (const h of all) {
    const mask = h.set.length && h.set.every((c) => bit.has(c)) ? h.set.reduce((m, c) => m | bit.get(c)!, 0) : 0;
    byMask.set(mask, (byMask.get(mask) ?? 0) + h.p);
  }
  const left = new Float64Array(sets);
  for (let s = 0; s < sets; s++) for (const [m, p] of byMask) if (m === 0 || m & ~s) left[s] = left[s]! + p;
  const toOpen = ids.reduce((m, c, i) => (t.causes[c]!.access === "opened" ? m | (1 << i) : m), 0);
  const v = new Float64Array(sets);
  const first = new Int8Array(sets).fill(-1);
  v[sets - 1] = left[sets - 1]! * t.giveUpMinutes;
  for (let s = sets - 2; s >= 0; s--) {
    let best = left[s]! * t.giveUpMinutes;
    for (let i = 0; i < n; i++) {
      if ((s >> i) & 1) continue;
      const opens = (toOpen >> i) & 1 && !opened && !(s & toOpen) ? openMinutes : 0;
      const x = left[s]! * (t.causes[ids[i]!]!.minutes + opens) + v[s | (1 << i)]!;
      if (x < best) {
        best = x;
        first[s] = i;
      }
    }
    v[s] = best;
  }
  const order: number[] = [];
  for (let s = 0; s < sets - 1 && first[s]! >= 0; s |= 1 << first[s]!) order.push(ids[first[s]!]!);
  return { minutes: v[0]!, order };
}
