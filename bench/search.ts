import { manyCodes, misread, scan } from "@tests/misreadCodes";
import { seededRandom } from "@tests/randomActs";
import Fuse from "fuse.js";
import { CEILING, codeCostUnits, createCatalogueIndex, flatCode, flatCostUnits } from "@/core/catalogue";
import { decodeEdid } from "@/core/edid";
import { quantile, say } from "./stats";

/** Plain edit distance over letters and digits, every mistake 1. */
function editDistance(a: string, b: string): number {
  let row = Array.from({ length: b.length + 1 }, (_, j) => j);
  for (let i = 1; i <= a.length; i++) {
    const next = [i];
    for (let j = 1; j <= b.length; j++)
      next.push(Math.min(row[j - 1]! + (a[i - 1] === b[j - 1] ? 0 : 1), row[j]! + 1, next[j - 1]! + 1));
    row = next;
  }
  return row[b.length]!;
}
type Rank = "unique" | "tied" | "beaten";
const rank = (mine: number, others: readonly number[]): Rank => {
  const best = Math.min(...others);
  return mine < best ? "unique" : mine === best ? "tied" : "beaten";
};

export function benchSearch(): void {
  const codes = manyCodes(100_000);
  const flats = codes.map((c) => c.replace(/[^A-Z0-9]/g, ""));
  const began = performance.now();
  const index = createCatalogueIndex(codes);
  const built = performance.now() - began;
  say("catalogue index over 100,000 codes, built in", `${built.toFixed(0)} ms`, "under 2 s", built < 2000);
  const r = seededRandom(99);
  const fast: number[] = [];
  const slow: number[] = [];
  let wrong = 0;
  for (let i = 0; i < 60; i++) index.search(misread(codes[i]!, r), 5);
  const QUERIES = 2000;
  const SCANNED = Number(process.env.HELVANE_BENCH_SCANS ?? 2000);
  const ours = { unique: 0, tied: 0, beaten: 0 };
  const plain = { unique: 0, tied: 0, beaten: 0 };
  const general = { unique: 0, tied: 0, beaten: 0 };
  let judged = 0;
  let general_ = 0;
  const fuse = new Fuse(codes, { includeScore: true, threshold: 0.6, ignoreLocation: true, minMatchCharLength: 1 });
  for (let n = 0; n < QUERIES; n++) {
    const at = Math.floor(r() * codes.length);
    const text = misread(codes[at]!, r);
    const t0 = performance.now();
    const hits = index.search(text, 5);
    fast.push(performance.now() - t0);
    if (n >= SCANNED) continue;
    const t1 = performance.now();
    const flat = flatCode(text);
    const units = flats.map((c) => flatCostUnits(flat, c));
    slow.push(performance.now() - t1);
    const found = scan(
      codes.filter((_, i) => units[i]! <= CEILING),
      (c) => codeCostUnits(text, c),
      5,
      CEILING,
    );
    if (
      JSON.stringify(found.map((h) => [h.code, h.units])) !== JSON.stringify(hits.map((h) => [h.code, Math.round(h.cost * 20)]))
    )
      wrong += 1;
    const mine = units[at]!;
    if (n < 150) {
      judged += 1;
      ours[
        rank(
          mine,
          units.filter((_, i) => i !== at),
        )
      ] += 1;
      const q = text.toUpperCase().replace(/[^A-Z0-9]/g, "");
      const d = flats.map((c) => editDistance(q, c));
      plain[
        rank(
          d[at]!,
          d.filter((_, i) => i !== at),
        )
      ] += 1;
      if (n < 25) {
        general_ += 1;
        const list = fuse.search(text, { limit: 60 });
        const me = list.find((x) => x.item === codes[at])?.score ?? 2;
        general[
          rank(
            me,
            list
              .filter((x) => x.item !== codes[at])
              .map((x) => x.score ?? 2)
              .concat(2),
          )
        ] += 1;
      }
    }
  }
  const p = (l: number[], q: number) => quantile(l, q);
  say("index against an exhaustive scan, queries that disagree", `${wrong} of ${SCANNED}`, "0", wrong === 0);
  say("search p50 / p95 of 100,000 codes, limit 5", `${p(fast, 0.5).toFixed(2)} / ${p(fast, 0.95).toFixed(2)} ms`);
  const r50 = p(slow, 0.5) / p(fast, 0.5);
  const r95 = p(slow, 0.95) / p(fast, 0.95);
  say("scan over index, ratio of p50", r50.toFixed(0), "at least 40", r50 >= 40);
  say("scan over index, ratio of p95", r95.toFixed(0), "at least 25", r95 >= 25);
  const share = (x: typeof ours, n: number) =>
    `unique ${((100 * x.unique) / n).toFixed(0)} %, tied ${((100 * x.tied) / n).toFixed(0)} %, beaten ${((100 * x.beaten) / n).toFixed(0)} %`;
  const better = (x: typeof ours, n: number) => ours.unique / judged > x.unique / n && ours.beaten / judged < x.beaten / n;
  say("the true code: this index", share(ours, judged));
  say("the true code: plain edit distance", share(plain, judged), "worse on both", better(plain, judged));
  say(
    `the true code: a general fuzzy-search package (${general_} queries)`,
    share(general, general_),
    "worse on both",
    better(general, general_),
  );
}

/** A million hostile inputs; a failing seed is printed. */
export function benchEdidFuzz(): void {
  const seed = Date.now() % 1_000_000;
  const r = seededRandom(seed);
  const block = new Uint8Array(256);
  const at = performance.now();
  let n = 0;
  try {
    for (; n < 1_000_000; n++) {
      for (let k = 0; k < 6; k++) block[Math.floor(r() * 256)] = Math.floor(r() * 256);
      if (n % 4 === 0) block.set([0, 255, 255, 255, 255, 255, 255, 0]);
      if (n % 3 === 0) block[128] = n % 2 ? 0x70 : 0x02;
      decodeEdid(n % 17 === 0 ? block.subarray(0, Math.floor(r() * 256)) : block);
    }
    say(
      "EDID decoder, hostile inputs without a throw",
      `${n.toLocaleString("en")} in ${((performance.now() - at) / 1000).toFixed(1)} s`,
      "1,000,000",
      true,
    );
  } catch (e) {
    say("EDID decoder threw", `seed ${seed}, input ${n}: ${(e as Error).message}`, "no throw", false);
  }
}
