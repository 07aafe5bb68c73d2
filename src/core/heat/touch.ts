import { coverOf } from "./lid";
import { type Cover, type CoverKind, MATERIALS } from "./properties";

export type TouchVerdict = "safe" | "marginal" | "notSafe" | "misleading";

export interface TouchAdvice {
  /** Effusivity, W s^0.5 / m2K. */
  bWs: number;
  /** Surface that can be held for 2 to 3 s, °C: low, likely, high. */
  holdC: [number, number, number];
  verdict: TouchVerdict;
}

/** Skin, °C. */
const SKIN_C = 33;
/** Contact temperature a hand leaves at with the skin's effusivity, fitted to recalled limits: low, likely, high (adj). */
const LEAVES: readonly (readonly [number, number])[] = [
  [50, 450],
  [54, 600],
  [58, 900],
];
/** Likely surface up to which film behind is safe, and up to which it is marginal, °C. */
const [SAFE_C, MARGINAL_C] = [60, 70.5];

/**
 * What "hand off after two or three seconds" means on this cover, and whether it may be trusted. On a glass front it says nothing of
 * the tape. Fitted to recalled burn limits: check the standard in force before relying on it; never touch metal right after a pass.
 * @example touchAdvice("al").verdict // "safe"
 */
export function touchAdvice(cover: CoverKind | Cover | "glass"): TouchAdvice {
  const m = cover === "glass" ? MATERIALS.glass : coverOf(cover);
  const b = Math.sqrt(m.kWmK * m.rhoKgM3 * m.cpJkgK);
  const holdC = LEAVES.map(([t, skin]) => t + ((t - SKIN_C) * skin) / b) as [number, number, number];
  const verdict =
    cover === "glass" ? "misleading" : holdC[1] <= SAFE_C ? "safe" : holdC[1] <= MARGINAL_C ? "marginal" : "notSafe";
  return { bWs: b, holdC, verdict };
}

/** The verdict in the words of the bench. @example touchWords(touchAdvice("pcabs")).length > 20 // true */
export const touchWords = (a: TouchAdvice): string => {
  const c = `${Math.round(a.holdC[0])} to ${Math.round(a.holdC[2])} °C`;
  return {
    safe: `Hand off after 2 to 3 s means about ${c} here: film-safe, and barely soft. Fingertip, a fresh spot each time; not right after a pass.`,
    marginal: `Hand off after 2 to 3 s means about ${c} here: films may be at their limit. Stop where it can be held for longer.`,
    notSafe: `Hand off after 2 to 3 s means about ${c} here: the films behind are over their limit by then. Do not go by touch; stop at comfortable for much longer than 3 s.`,
    misleading: "The glass gets hot long before the tape does: touch says nothing here. Read a contact thermometer.",
  }[a.verdict];
};
