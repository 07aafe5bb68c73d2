import type { TriageTable } from "./schema";

export type MeterSpot = TriageTable["meter"][number];
export type PowerState = "isolated" | "live" | "off" | "unknown";

/** What a meter shows: a value in the spot's unit, or null for over-limit ("OL": an open circuit). */
export type MeterValue = number | null;

/** The port every meter is behind, real or simulated. */
export interface MeterPort {
  read(
    spot: Pick<MeterSpot, "point" | "mode">,
    power: PowerState,
  ): Promise<{ ok: true; value: MeterValue } | { ok: false; problem: string }>;
}

const MODE_WORDS: Record<MeterSpot["mode"], string> = {
  continuity: "Continuity",
  diode: "The diode test",
  dcVolts: "DC volts",
};
/** How a mode of the meter is called in a sentence. @example modeWords("dcVolts") // "DC volts" */
export const modeWords = (mode: MeterSpot["mode"]): string => MODE_WORDS[mode];

/**
 * May the meter be used so in this power state? Continuity and diode only while isolated, volts only while live; in any
 * other or unknown state neither.
 * @returns null to go, else the reason in words
 * @example meterRefusal("dcVolts", "live") // null
 */
export function meterRefusal(mode: MeterSpot["mode"], power: PowerState): string | null {
  if (power === "unknown")
    return `The power state is not recorded. Record shut down and mains first: ${MODE_WORDS[mode].toLowerCase()} depends on it.`;
  if (mode === "dcVolts")
    return power === "live"
      ? null
      : power === "isolated"
        ? "DC volts are read on a live board only, and this one is isolated. Put the mains in first: from then on it is live."
        : "DC volts are read on a live board only, and this one is off.";
  if (power === "isolated") return null;
  return power === "live"
    ? `${MODE_WORDS[mode]} is measured on an isolated board only, and this one is live: it can burn the meter and the board.`
    : `${MODE_WORDS[mode]} is measured on an isolated board only: it is off, but not isolated.`;
}

export interface JudgedReading {
  inRange: boolean;
  /** Within the band a good board shows. Over-limit never is. */
  inBand: boolean;
  /** The answer to the spot's finding. */
  outcome: "yes" | "no" | "unclear";
  words: string;
}

const show = (v: MeterValue, unit: string) => (v === null ? "OL, open" : `${v} ${unit === "ohm" ? "ohm" : "V"}`);

/**
 * Holds a reading against the spot's range and band. A value no meter could show there answers nothing.
 * @param spot where and how it was measured
 * @param value in the spot's unit; null = over limit (an open circuit); over limit answers only continuity and diode
 * @example judgeReading(table.meter[0], null).inBand // false
 */
export function judgeReading(spot: MeterSpot, value: MeterValue): JudgedReading {
  const [lo, hi] = spot.band;
  const unit = spot.unit === "ohm" ? "ohm" : "V";
  const band = `expected ${lo} to ${hi} ${unit}`;
  if (value === null)
    return spot.mode === "dcVolts"
      ? { inRange: false, inBand: false, outcome: "unclear", words: `OL is no voltage: the meter's range is too small. ${band}` }
      : { inRange: true, inBand: false, outcome: "yes", words: `OL, open; ${band}` };
  if (!Number.isFinite(value) || value < spot.range[0] || value > spot.range[1])
    return {
      inRange: false,
      inBand: false,
      outcome: "unclear",
      words: `${show(value, unit)} cannot be read there (${spot.range[0]} to ${spot.range[1]} ${unit}). Measure again`,
    };
  const inBand = value >= lo && value <= hi;
  return { inRange: true, inBand, outcome: inBand ? "no" : "yes", words: `${show(value, unit)}; ${band}` };
}
