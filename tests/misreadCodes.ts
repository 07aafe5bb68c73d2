import { LOOK_ALIKES } from "@/core/catalogue/codeCost";
import { seededRandom } from "./randomActs";

/** Codes shaped like those in the trade: maker's letters, size, class, series, revision. All invented, all different. */
export function manyCodes(count: number, seed = 11): string[] {
  const r = seededRandom(seed);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(r() * list.length)]!;
  const out = new Set<string>();
  while (out.size < count) {
    const series = pick(["A", "B", "C", "E", "G", "H", "K", "N", "T", "W"]);
    const rev = pick(["K", "R", "N", "S", "T", "40B", "A", "L"]);
    out.add(
      `${pick(["GV", "TQ", "PD", "ZE", "LM", "BN"])}${pick(["116", "125", "133", "134", "140", "156", "160", "173"])}${pick(["WHA", "FHB", "FHA", "QHA", "WUX", "XTC", "BGB", "HAN", "UHD", "WQM"])}${r() < 0.3 ? series : ""}-${rev}${String(Math.floor(r() * 1000)).padStart(2, "0")}`,
    );
  }
  return [...out];
}

/** A code as a hand or a scanner would read it off a scratched label. */
export function misread(code: string, r: () => number): string {
  let chars = [...code];
  const places = [...chars.keys()].filter((i) => LOOK_ALIKES.some((s) => s.includes(chars[i]!)));
  const times = 1 + Math.floor(r() * 3);
  for (let k = 0; k < times && places.length; k++) {
    const i = places.splice(Math.floor(r() * places.length), 1)[0]!;
    const set = [...LOOK_ALIKES.find((s) => s.includes(chars[i]!))!].filter((c) => c !== chars[i]);
    chars[i] = set[Math.floor(r() * set.length)]!;
  }
  if (r() < 0.4) chars = chars.filter((c) => c !== "-");
  else if (r() < 0.3) chars.splice(2, 0, " ");
  let text = chars.join("");
  if (r() < 0.15) text = text.slice(0, -2);
  if (r() < 0.2) text = `${["REV", "P/N ", "LCD ", "X1 "][Math.floor(r() * 4)]}${text}`;
  if (r() < 0.2) text = `${text} ${["A01", "CHINA", "5V", "S/N 77"][Math.floor(r() * 4)]}`;
  return r() < 0.3 ? text.toLowerCase() : text;
}

/** What a scan of every code finds: the plain reference for the index. */
export function scan(
  codes: readonly string[],
  cost: (code: string) => number,
  limit: number,
  ceiling: number,
): { code: string; units: number }[] {
  const all = codes
    .map((code) => ({ code, units: cost(code) }))
    .filter((h) => h.units <= ceiling)
    .sort((a, b) => a.units - b.units || (a.code < b.code ? -1 : 1));
  const worst = all[Math.min(limit, all.length) - 1]?.units ?? 0;
  return all.filter((h, k) => k < limit || h.units === worst);
}
