/** Rates an embedded DisplayPort link can have, Gbit/s per lane (eDP 1.4b). */
export const EDP_RATES_GBPS = [1.62, 2.16, 2.43, 2.7, 3.24, 4.32, 5.4, 8.1] as const;
/** 8b/10b: eight bits of every ten are picture. */
const CODING = 0.8;
/** Under this share a margin tells nothing (adj). */
const THIN = 0.02;

export type YesNoUnknown = "yes" | "no" | "unknown";
export interface Mode {
  pixelClockKHz: number;
  refreshHz: number;
}

export interface EdpInput {
  mode: Mode;
  /** Where the clock comes from: a guess never stops. */
  clockFrom: "edid" | "datasheet" | "guess";
  bitsPerPixel: 18 | 24 | 30;
  /** Lowest plausible clock when it is a guess: CVT v2 at the lowest listed refresh, kHz. */
  lowestClockKHz: number | null;
  /** Modes the panel lists besides, any order. */
  lowerModes: readonly Mode[];
  board: { lanes: number | null; ratesGbps: readonly number[] | null; compression: YesNoUnknown };
  cable: { lanes: number | null; maxRateGbps: number | null };
  panel: { lanes: number | null; ratesGbps: readonly number[] | null; compression: YesNoUnknown };
}

export interface EdpBudget {
  verdict: "fits" | "fitsLower" | "fails" | "unknown";
  neededGbps: number;
  /** Null when lanes or rates of a member are not known. */
  availableGbps: number | null;
  marginGbps: number | null;
  marginPercent: number | null;
  /** Which member sets the limit, in words. */
  limiting: string | null;
  /** The mode it runs at, when not the first. */
  runsAtHz: number | null;
  reason: string;
}

const needed = (clockKHz: number, bpp: number): number => (clockKHz * bpp) / 1e6;
const round = (x: number): number => Math.round(x * 1000) / 1000;

function lanesOf(i: EdpInput): { lanes: number; by: string } | null {
  const all = [
    { lanes: i.board.lanes, by: "board" },
    { lanes: i.cable.lanes, by: "cable" },
    { lanes: i.panel.lanes, by: "panel" },
  ];
  if (all.some((x) => x.lanes === null)) return null;
  const least = Math.min(...all.map((x) => x.lanes!));
  return {
    lanes: least,
    by: all
      .filter((x) => x.lanes === least)
      .map((x) => x.by)
      .join(" and "),
  };
}

function rateOf(i: EdpInput): { rate: number; by: string } | "none" | null {
  const { board, cable, panel } = i;
  if (!board.ratesGbps || !panel.ratesGbps || cable.maxRateGbps === null) return null;
  const both = board.ratesGbps.filter((r) => panel.ratesGbps!.some((p) => Math.abs(p - r) < 1e-6));
  const carried = both.filter((r) => r <= cable.maxRateGbps! + 1e-6);
  if (carried.length === 0) return "none";
  const rate = Math.max(...carried);
  const top = (l: readonly number[]) => Math.max(...l);
  const by =
    rate < top(both) - 1e-6
      ? "cable"
      : rate < top(board.ratesGbps) - 1e-6
        ? "panel"
        : rate < top(panel.ratesGbps) - 1e-6
          ? "board"
          : "all alike";
  return { rate, by };
}

/**
 * Whether an eDP link carries a panel's picture. Needed = clock x bits; available = lanes x lane rate x 0.8; lanes are the
 * least of board, cable and panel; the rate is the highest both list and the cable carries.
 * Gbit/s throughout. A guessed clock never fails; a margin under 2 % is unknown; compression unknown on either end makes
 * "over budget" unknown.
 * @example edpBudget(edpInput).verdict // "fits"
 */
export function edpBudget(i: EdpInput): EdpBudget {
  const need = needed(i.mode.pixelClockKHz, i.bitsPerPixel);
  const base = {
    neededGbps: round(need),
    availableGbps: null,
    marginGbps: null,
    marginPercent: null,
    limiting: null,
    runsAtHz: null,
  };
  const lanes = lanesOf(i);
  const rate = rateOf(i);
  if (rate === "none")
    return {
      ...base,
      verdict: "fails",
      limiting: "no rate in common",
      reason: "Board and panel list no lane rate in common that the cable carries.",
    };
  if (!lanes || !rate) {
    const missing = [
      ...(["board", "cable", "panel"] as const).filter((k) => i[k].lanes === null).map((k) => `lanes of the ${k}`),
      ...(["board", "panel"] as const).filter((k) => !i[k].ratesGbps).map((k) => `lane rates of the ${k}`),
      ...(i.cable.maxRateGbps === null ? ["rate of the cable"] : []),
    ];
    return { ...base, verdict: "unknown", reason: `Not known: ${missing.join(", ")}.` };
  }
  const available = lanes.lanes * rate.rate * CODING;
  const limiting = `${lanes.by}: ${lanes.lanes} ${lanes.lanes === 1 ? "lane" : "lanes"}; ${rate.by}: ${rate.rate} Gbit/s per lane`;
  const margin = (available - need) / available;
  const full = {
    ...base,
    availableGbps: round(available),
    marginGbps: round(available - need),
    marginPercent: Math.round(margin * 1000) / 10,
    limiting,
  };
  const figures = `${round(need)} of ${round(available)} Gbit/s used`;
  if (margin >= THIN) return { ...full, verdict: "fits", reason: `${figures}, ${full.marginPercent} % spare.` };
  if (margin > -THIN)
    return { ...full, verdict: "unknown", reason: `${figures}: a margin of ${full.marginPercent} % is too thin to tell.` };
  if (i.board.compression === "yes" && i.panel.compression === "yes")
    return { ...full, verdict: "unknown", reason: `${figures}; both ends compress, by how much is not known.` };
  const lower = [...i.lowerModes]
    .filter((m) => m.pixelClockKHz < i.mode.pixelClockKHz)
    .sort((a, b) => b.pixelClockKHz - a.pixelClockKHz)
    .find((m) => (available - needed(m.pixelClockKHz, i.bitsPerPixel)) / available >= THIN);
  if (lower)
    return {
      ...full,
      verdict: "fitsLower",
      runsAtHz: lower.refreshHz,
      reason: `${figures} at ${Math.round(i.mode.refreshHz)} Hz; runs at ${Math.round(lower.refreshHz)} Hz.`,
    };
  if (i.board.compression !== "no" && i.panel.compression !== "no")
    return { ...full, verdict: "unknown", reason: `${figures}: over, and whether both ends compress is not known.` };
  if (i.clockFrom === "guess") {
    const low = i.lowestClockKHz === null ? null : needed(i.lowestClockKHz, i.bitsPerPixel);
    if (low === null || (available - low) / available > -THIN)
      return {
        ...full,
        verdict: "unknown",
        reason: `${figures} by a guessed clock: a guess never stops. Read the EDID or the datasheet.`,
      };
    return {
      ...full,
      verdict: "fails",
      reason: `Over even at the lowest plausible clock: ${round(low)} of ${round(available)} Gbit/s.`,
    };
  }
  return { ...full, verdict: "fails", reason: `${figures}: over by ${round(need - available)}.` };
}

export interface LvdsBudget {
  verdict: "fits" | "fails" | "unknown";
  /** Clock on one link, MHz: half the pixel clock over two. */
  linkMHz: number;
  links: 1 | 2 | null;
  reason: string;
}

/** Clock a single LVDS link carries: sure up to the first, never above the second, MHz (adj). */
export const LVDS_LIMIT_MHZ: readonly [number, number] = [85, 112];

/**
 * Whether LVDS carries a pixel clock: one pixel per clock on a single link, two on a dual link.
 * @param links of board, cable and panel together; null when not known
 * @param clockFrom a guess never fails
 * @example lvdsBudget(72_000, 1, "edid").verdict // "fits"
 */
export function lvdsBudget(pixelClockKHz: number, links: 1 | 2 | null, clockFrom: EdpInput["clockFrom"]): LvdsBudget {
  const [sure, most] = LVDS_LIMIT_MHZ;
  const mhz = pixelClockKHz / 1000;
  if (links === null) {
    const fits = mhz <= sure;
    return {
      verdict: fits ? "fits" : "unknown",
      linkMHz: round(mhz),
      links,
      reason: fits ? `${round(mhz)} MHz: a single link carries it.` : "Single or dual link is not known.",
    };
  }
  const linkMHz = round(mhz / links);
  if (linkMHz <= sure) return { verdict: "fits", linkMHz, links, reason: `${linkMHz} MHz per link, ${sure} are sure.` };
  if (linkMHz <= most || clockFrom === "guess")
    return {
      verdict: "unknown",
      linkMHz,
      links,
      reason: `${linkMHz} MHz per link: between ${sure} and ${most} it depends on the board${clockFrom === "guess" ? ", and the clock is a guess" : ""}.`,
    };
  const dual = links === 1 && mhz / 2 <= sure ? " A dual link of board, cable and panel would carry it." : "";
  return { verdict: "fails", linkMHz, links, reason: `${linkMHz} MHz per link: ${most} at most.${dual}` };
}
