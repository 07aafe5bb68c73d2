import type { Share } from "@/core/shopReport";

/** Fewer cases than this are told in words, fewer than the other without a percentage. */
const [IN_WORDS, NO_PERCENT] = [3, 5];
const pc = (x: number) => Math.round(x * 100);

/** A share as it may be said with so few cases. @example shareWords({ of: 2, times: 2, share: 1, low: 0.4, high: 1, jobs: [] }) // "2 of 2: too few to say" */
export const shareWords = (s: Share): string =>
  s.of === 0
    ? "none yet"
    : s.of < IN_WORDS
      ? `${s.times} of ${s.of}: too few to say`
      : s.of < NO_PERCENT
        ? `${s.times} of ${s.of}`
        : `${s.times} of ${s.of}, ${pc(s.share)} %; truly ${pc(s.low)} to ${pc(s.high)} %, four times in five`;

/** Days to a tenth below ten. @example days(3.25) // "3.3 days" */
export const days = (d: number): string =>
  d < 1 ? `${Math.round(d * 24)} h` : `${d < 10 ? d.toFixed(1).replace(/\.0$/, "") : Math.round(d)} ${d === 1 ? "day" : "days"}`;

export const PART_WORDS = {
  decision: "until it is decided",
  panel: "until the panel is here",
  bench: "until the bench is free",
  handOver: "on the bench until hand-over",
} as const;

/** A month of the calendar in short. @example monthWords("2026-03") // "Mar 26" */
export const monthWords = (m: string): string =>
  `${["Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"][Number(m.slice(5, 7)) - 1] ?? m} ${m.slice(2, 4)}`;
