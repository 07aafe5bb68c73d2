import { expect } from "vitest";
import { CEILING, codeCostUnits, createCatalogueIndex, flatCode, flatCostUnits } from "@/core/catalogue";
import { manyCodes, misread, scan } from "./misreadCodes";
import { seededRandom } from "./randomActs";
import { runs } from "./scale";

/** Asks the index of 100,000 codes what an exhaustive scan is asked too: queries `from` up to `to` of one seeded list. */
export function againstScan(from: number, to: number): void {
  const codes = manyCodes(runs(100_000));
  const flats = codes.map(flatCode);
  const index = createCatalogueIndex(codes);
  const r = seededRandom(21);
  for (let n = 0; n < to; n++) {
    const text =
      n % 20 === 19
        ? Array.from({ length: 9 }, () => "ABCXYZ1234"[Math.floor(r() * 10)]).join("")
        : misread(codes[Math.floor(r() * codes.length)]!, r);
    if (n < from) continue;
    const q = flatCode(text);
    const near = codes.filter((_, k) => flatCostUnits(q, flats[k]!) <= CEILING);
    const costs = new Map(near.map((c) => [c, codeCostUnits(text, c)]));
    for (const limit of [1, 5, 20]) {
      const slow = scan(near, (c) => costs.get(c)!, limit, CEILING);
      expect(
        index.search(text, limit).map((h) => [h.code, Math.round(h.cost * 20)]),
        `query ${n}, ${text}, limit ${limit}`,
      ).toEqual(slow.map((h) => [h.code, h.units]));
    }
  }
}
