import { EDP_RATES_GBPS, type EdpInput, edpBudget, type Mode } from "./linkBudget";

export interface LinkRuns {
  /** `first`: as it is made; `depth`, `mode`, `both`: with fewer bits, in a listed lower mode, with both; `choice`: one of the two. */
  runs: "first" | "depth" | "mode" | "both" | "choice" | "none" | "unknown";
  refreshHz: number | null;
  bits: number | null;
  /** The figure in short. */
  words: string;
  reason: string;
}

type Bits = 6 | 8 | 10;
const bpp = (bits: number) => (Math.min(10, Math.max(6, bits)) * 3) as 18 | 24 | 30;
const hz = (m: Mode) => `${Math.round(m.refreshHz)} Hz`;

/** What would carry so much, in lanes and rates: the board's best rate on more lanes, its lanes at a higher rate. */
function wouldCarry(needGbps: number, lanes: number, rate: number): string {
  const one = (l: number) => EDP_RATES_GBPS.find((r) => l * r * 0.8 * 0.98 >= needGbps);
  const more = [2, 4].find((l) => l > lanes && l * rate * 0.8 * 0.98 >= needGbps);
  const faster = one(lanes);
  const ways = [
    more ? `${more} lanes of ${rate}` : "",
    faster && faster > rate ? `${faster} Gbit/s on ${lanes === 1 ? "the one lane" : `${lanes} lanes`}` : "",
  ].filter(Boolean);
  const any = ways.length ? ways : [4].flatMap((l) => (one(l) ? [`${l} lanes of ${one(l)} Gbit/s`] : []));
  return any.length ? ` ${any.join(" or ")} would carry it.` : "";
}

/**
 * How an eDP link runs a panel: as it is made, else with fewer bits a colour, else in a listed lower mode, as a source does.
 * Gbit/s throughout. 18 bit only from a source known to dither; where depth and refresh compete, both are told.
 * @param i as for `edpBudget`, with the panel's own depth @param bits the panel's depth per colour @param dithers of the source
 * @example linkRuns(edpInput, 8, "unknown").runs // "first"
 */
export function linkRuns(i: EdpInput, bits: number, dithers: "yes" | "no" | "unknown"): LinkRuns {
  const full = Math.min(10, Math.max(6, bits)) as Bits;
  const at = (mode: Mode, depth: Bits) => edpBudget({ ...i, mode, bitsPerPixel: bpp(depth), lowerModes: [] });
  const b = at(i.mode, full);
  const limit = b.limiting ? ` Limit: ${b.limiting}.` : "";
  const used = b.availableGbps === null ? "cannot be told" : `${b.neededGbps.toFixed(2)} of ${b.availableGbps.toFixed(2)}`;
  const made = { refreshHz: i.mode.refreshHz, bits: full, words: used };
  if (b.verdict === "fits") return { ...made, runs: "first", reason: `${b.reason}${limit}` };
  if (b.availableGbps === null)
    return b.verdict === "fails"
      ? { ...made, runs: "none", refreshHz: null, bits: null, reason: b.reason }
      : { ...made, runs: "unknown", refreshHz: null, bits: null, words: "cannot be told", reason: b.reason };
  const thin = b.marginPercent !== null && Math.abs(b.marginPercent) < 2;
  const lanes = Math.min(...[i.board.lanes, i.cable.lanes, i.panel.lanes].map((l) => l ?? 8));
  const carry = wouldCarry(b.neededGbps, lanes, b.availableGbps / 0.8 / lanes);
  if (thin)
    return {
      ...made,
      runs: "unknown",
      reason: `${b.reason}${limit} Spread spectrum takes half a percent and a clock may stray: under 2 % spare is not trusted.${carry}`,
    };
  if (i.board.compression === "yes" && i.panel.compression === "yes")
    return { ...made, runs: "unknown", reason: `${b.reason}${limit}` };
  const over = `${b.neededGbps.toFixed(2)} of ${b.availableGbps.toFixed(2)} Gbit/s at ${hz(i.mode)} and ${full} bit: over by ${(b.neededGbps - b.availableGbps).toFixed(2)}.${limit}`;
  const fits = (m: Mode, d: Bits) => at(m, d).verdict === "fits";
  const lower = [...i.lowerModes]
    .filter((m) => m.pixelClockKHz < i.mode.pixelClockKHz)
    .sort((x, y) => y.pixelClockKHz - x.pixelClockKHz);
  const eight: Bits | null = full > 8 ? 8 : null;
  const byDepth = eight !== null && fits(i.mode, eight);
  const byMode = lower.find((m) => fits(m, full));
  if (byDepth && byMode)
    return {
      runs: "choice",
      refreshHz: null,
      bits: null,
      words: `${hz(i.mode)} at 8 bit or ${hz(byMode)} at ${full} bit`,
      reason: `${over} It runs at ${hz(i.mode)} at 8 bit or ${hz(byMode)} at ${full} bit: one has to be wanted.${carry}`,
    };
  if (byDepth)
    return {
      runs: "depth",
      refreshHz: i.mode.refreshHz,
      bits: 8,
      words: `8 bit of ${full}`,
      reason: `${over} It runs with 8 bit of ${full}.${carry}`,
    };
  if (byMode)
    return {
      runs: "mode",
      refreshHz: byMode.refreshHz,
      bits: full,
      words: `runs at ${hz(byMode)}`,
      reason: `${over} It runs at ${hz(byMode)}.${carry}`,
    };
  const both = eight === null ? undefined : lower.find((m) => fits(m, eight));
  if (both)
    return {
      runs: "both",
      refreshHz: both.refreshHz,
      bits: 8,
      words: `${hz(both)}, 8 bit of ${full}`,
      reason: `${over} It runs at ${hz(both)} with 8 bit of ${full}.${carry}`,
    };
  const six = full > 6 ? [i.mode, ...lower].find((m) => fits(m, 6)) : undefined;
  if (six && dithers === "yes")
    return {
      runs: six === i.mode ? "depth" : "both",
      refreshHz: six.refreshHz,
      bits: 6,
      words: `6 bit of ${full}, may band`,
      reason: `${over} This board dithers down to 6 bit at ${hz(six)}: fine ramps show banding on some boards.${carry}`,
    };
  if (six && dithers === "unknown")
    return {
      ...made,
      runs: "unknown",
      reason: `${over} 6 bit of ${full} would go, with banding, if this board dithers: nobody has recorded that.${carry}`,
    };
  const no = i.board.compression === "no" || i.panel.compression === "no";
  if (!no) return { ...made, runs: "unknown", reason: `${over} Whether both ends compress is not known.${carry}` };
  return b.verdict === "fails"
    ? { ...made, runs: "none", refreshHz: null, bits: null, reason: `${over} No listed mode and depth goes.${carry}` }
    : { ...made, runs: "unknown", refreshHz: null, bits: null, reason: `${b.reason}${limit}${carry}` };
}
